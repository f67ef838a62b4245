using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>Inserts, a fader or a pan on a notes channel, through which no sound runs.</summary>
public sealed class StripOnNotes : ISoundcheckRule
{
    public string Id => "strip-on-notes";

    public string Group => "Strips";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where !Capabilities.Of(channel.Kind).Sounds
        let edits = Cleared(channel).ToSequence()
        where edits.Count > 0
        select new Finding(Id, Severity.Hint, [channel.Id], $"No sound runs through {channel.Name}: its strip, fader and pan do nothing.", [new("Clear its strip", edits)]);

    private static IEnumerable<Edit> Cleared(Channel channel)
    {
        foreach (var insert in channel.Inserts)
            yield return new RemoveInsert(channel.Id, insert.Id);
        if (channel.Level != default)
            yield return new SetLevel(channel.Id, default);
        if (channel.Pan != 0)
            yield return new SetPan(channel.Id, 0);
        if (channel.PolarityFlipped)
            yield return new SetPolarity(channel.Id, false);
    }
}
