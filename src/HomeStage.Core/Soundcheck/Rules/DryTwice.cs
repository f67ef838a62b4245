using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A return whose effect rests while something is sent to it: the dry sound comes back on top of itself.</summary>
/// <remarks>A return without any strip is empty on purpose.</remarks>
public sealed class DryTwice : ISoundcheckRule
{
    /// <summary>What leaves the sound dry.</summary>
    private static readonly string[] Plain = [ProcessorCatalogue.Equaliser, ProcessorCatalogue.Gain, ProcessorCatalogue.Image];

    public string Id => "dry-twice";

    public string Group => "Sends";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        foreach (var channel in template.Channels.Where(c => c is { Kind: ChannelKind.Return, Muted: false, Inserts.Count: > 0 } && c.StageIn(act) != StageState.InTheWings))
        {
            if (channel.Level.IsSilence || channel.Inserts.Any(i => i.IsLiveIn(template, act) && (i.Device is not null || !Plain.Contains(i.Processor))))
                continue;
            var sends = template.Channels.Where(c => !c.Muted && c.StageIn(act) != StageState.InTheWings)
                .SelectMany(c => c.Sends.Where(s => s.To == channel.Id && s.Open && !s.Level.IsSilence).Select(s => (From: c, Send: s))).ToList();
            if (sends.Count > 0)
                yield return new(Id, Severity.Warning, [channel.Id], $"{sends[0].From.Name} is sent to {channel.Name}, where no effect is at work: it comes back dry, on top of itself.",
                    [new($"Let {channel.Name} rest in this act", [new SetStage(channel.Id, act, StageState.InTheWings)]), new("Close what is sent to it", sends.Select(s => (Edit)new PutSend(s.From.Id, s.Send with { Open = false })).ToSequence())]);
        }
    }
}
