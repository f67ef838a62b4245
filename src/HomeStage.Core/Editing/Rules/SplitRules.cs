using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>Whether the splits of an instrument still find their outputs after it was changed.</summary>
internal static class SplitRules
{
    /// <returns>What is wrong with the first that does not, or null.</returns>
    public static Refusal? Stranded(Template after, ChannelId player) => after.Channels
        .Where(c => c.Source is OutputSource split && split.Instrument == player)
        .Select(c => SourceRules.Check(after, c))
        .FirstOrDefault(wrong => wrong is not null);
}
