using System.Globalization;

namespace HomeStage.Core.Ducking;

/// <summary>What came of an ask, for people.</summary>
public static class DuckingWords
{
    /// <returns>What is in the way and what works instead; null where the ask is met.</returns>
    public static string? Of(DuckingAnswer answer) => answer.Limit switch
    {
        null => null,
        DuckingLimit.NoKey => "Nothing reaches its key input in this section, so there is nothing to give way to.",
        DuckingLimit.Depth => Said($"The key is too soft for that depth: with the lowest threshold it goes down {answer.Nearest.DepthDb:0.0} dB. Send it louder."),
        DuckingLimit.KeyLasts => Said($"The key itself lasts longer: the soonest that it is back is {answer.Nearest.BackMs:0} ms. Shorten its notes."),
        DuckingLimit.Release => Said($"The longest release is over sooner: it is back after {answer.Nearest.BackMs:0} ms."),
        DuckingLimit.NextHit => Said($"The next hit comes first: set to be back after {answer.Nearest.BackMs:0} ms, just before it."),
        _ => throw new ArgumentOutOfRangeException(nameof(answer), answer.Limit, "Unknown limit."),
    };

    private static string Said(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
