using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Words;

/// <summary>What is on a channel's strip, in a few words: "2 inserts, 1 send, −3.0 dB".</summary>
public static class StripSummary
{
    /// <returns>"nothing but its name" for a strip that does nothing.</returns>
    public static string Of(Channel channel)
    {
        var parts = new[] { (channel.Inserts.Count, "insert"), (channel.Sends.Count, "send"), (channel.Feeds.Count, "sidechain feed"), (channel.Shapes.Count, "curve") }
            .Where(p => p.Item1 > 0).Select(p => Wording.Count(p.Item1, p.Item2)).ToList();
        if (channel.Level != default)
            parts.Add(channel.Level.ToString());
        if (channel.Muted)
            parts.Add("muted");
        if (channel.PolarityFlipped)
            parts.Add("polarity flipped");
        return parts.Count == 0 ? "nothing but its name" : string.Join(", ", parts);
    }
}
