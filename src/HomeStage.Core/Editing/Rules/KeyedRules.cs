using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>Whether what feeds the key inputs of a channel still finds them after an insert of it was changed.</summary>
internal static class KeyedRules
{
    /// <returns>What is wrong with the first feed that does not, or null.</returns>
    public static Refusal? Stranded(Template after, ChannelId keyed) => after.Channels
        .Where(c => c.Feeds.Any(f => f.Channel == keyed))
        .Select(c => ConnectionRules.Check(after, c))
        .FirstOrDefault(wrong => wrong is not null);
}
