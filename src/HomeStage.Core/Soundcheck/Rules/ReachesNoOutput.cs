using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A channel of which nothing arrives at an output, by destination or by send. Triggers and notes are not meant to.</summary>
public sealed class ReachesNoOutput : ISoundcheckRule
{
    public string Id => "reaches-no-output";

    public string Group => "Routing";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var arrives = Arriving(template);
        foreach (var channel in template.Channels.Where(c => c.Kind is not (ChannelKind.Trigger or ChannelKind.Notes) && !arrives.Contains(c.Id)))
        {
            // Mended where it breaks off: a channel whose bus arrives nowhere needs no mend of its own.
            if (channel.Destination is not null)
                continue;
            yield return new(Id, Severity.Blocker, [channel.Id], $"{channel.Name} feeds nothing, so it is never heard.",
                [new($"Let it feed {template.Main.Name}", [new MoveChannel(channel.Id, template.Main.Id, null)])]);
        }
    }

    private static HashSet<ChannelId> Arriving(Template template)
    {
        var into = template.Channels
            .SelectMany(c => c.Sends.Where(s => s.Open).Select(s => (To: s.To, From: c.Id)).Concat(c.Destination is { } d ? [(d, c.Id)] : []))
            .ToLookup(x => x.To, x => x.From);
        var open = new Stack<ChannelId>(template.Channels.Where(c => c.OutputPair is not null).Select(c => c.Id));
        var arriving = new HashSet<ChannelId>(open);
        while (open.TryPop(out var channel))
            foreach (var from in into[channel])
                if (arriving.Add(from))
                    open.Push(from);
        return arriving;
    }
}
