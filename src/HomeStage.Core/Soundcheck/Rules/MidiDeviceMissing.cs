using HomeStage.Core.Fitting;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A MIDI device that a channel names and the studio does not have.</summary>
public sealed class MidiDeviceMissing : ISoundcheckRule
{
    public string Id => "midi-device-missing";

    public string Group => "Studio";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around) =>
        around.Studio is not { } studio ? []
        : from line in MidiFit.Lines(template, studio)
          where line.Here is null
          group line by line.Channel into one
          let channel = template.Channels[one.Key]
          where InputFit.Runs(channel, act)
          select new Finding(Id, Severity.Hint, [channel.Id], $"{channel.Name} names {string.Join(" and ", one.Select(l => l.MadeFor))}, which is no MIDI device of this studio.",
              one.All(l => l.ProposedEdits.Count > 0) ? [new($"{channel.Name}: {one.First().Choices[0].Name}", one.SelectMany(l => l.ProposedEdits).ToSequence())] : []);
}
