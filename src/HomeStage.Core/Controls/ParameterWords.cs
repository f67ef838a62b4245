namespace HomeStage.Core.Controls;

/// <summary>Parameters whose numbers mean words: switches and choices.</summary>
public static class ParameterWords
{
    private static readonly Sequence<string> Ways = ["off", "on"];

    /// <returns>What its whole numbers from 0 mean, as a sentence has it: a switch's two ways, a choice's options; none where they are numbers.</returns>
    public static Sequence<string> Words(this Parameter parameter) =>
        parameter.Unit == Unit.Switch ? Ways : parameter.Options.Select(Capitals.InASentence).ToSequence();

    /// <returns>What a number means, the nearest whole one; null where it is a number, or none of the words.</returns>
    public static string? Word(this Parameter parameter, double value)
    {
        var (words, at) = (parameter.Words(), Math.Round(value, MidpointRounding.AwayFromZero));
        return at >= 0 && at < words.Count ? words[(int)at] : null;
    }
}
