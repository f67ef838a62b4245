using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A sound with two sides that is laid on a mono channel: its sides are added up.</summary>
public sealed class SoundFolded : ISoundcheckRule
{
    public string Id => "sound-folded";

    public string Group => "Routing";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel.Format == ChannelFormat.Mono
        let wide = channel.Starters.Where(s => s.Sound.Lanes > 1).ToList()
        where wide.Count > 0
        select new Finding(Id, Severity.Hint, [channel.Id],
            $"{channel.Name} is mono, so {string.Join(", ", wide.Select(s => s.Name))} {(wide.Count == 1 ? "loses its" : "lose their")} sides there.",
            [Widened(channel)]);

    /// <summary>A channel is as wide as the inputs that it takes, so a single one is left.</summary>
    private static Mend Widened(Channel channel) => channel.Source is InputSource { Second: null } input
        ? new($"Make {channel.Name} stereo, without input {input.First}", [new SetSource(channel.Id, null), new SetFormat(channel.Id, ChannelFormat.Stereo)])
        : new($"Make {channel.Name} stereo", [new SetFormat(channel.Id, ChannelFormat.Stereo)]);
}
