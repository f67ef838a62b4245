using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Playing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A reverb on a return that rings on, around 1 kHz, for longer than the bar that the song begins with: each bar lies under the one before it.</summary>
public sealed class TailOverBar : ISoundcheckRule
{
    private const string Decay = "decay-s";
    private const double MidHz = 1000;

    public string Id => "tail-over-bar";

    public string Group => "Sends";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        // Asked for only where something stands out.
        var held = new Lazy<ILookup<ChannelId, HeldValue>>(() => HeldValue.Of(template));
        var first = new TimeMap(template.Timeline).Sections[0];
        var bar = first.LengthSeconds / first.Section.Bars;
        foreach (var channel in template.Channels.Where(c => c.Kind == ChannelKind.Return && c.StageIn(act) != StageState.InTheWings))
        {
            var over = channel.Inserts.Where(i => i is { Processor: ProcessorCatalogue.Reverb, Device: null } && i.IsLiveIn(template, act)
                && MidSeconds(i, template.SampleRateHz) > bar && held.Value[channel.Id].All(h => h.Place != $"insert/{i.Id}/{Decay}")).ToList();
            if (over.Count == 0)
                continue;
            var longest = over.MaxBy(i => MidSeconds(i, template.SampleRateHz))!;
            var mid = MidSeconds(longest, template.SampleRateHz);
            var ends = over.Select(i => EndWith(channel, i, bar, template.SampleRateHz)).ToList();
            yield return new(Id, Severity.Hint, [channel.Id], FormattableString.Invariant($"{longest.Title()} on {channel.Name} rings on for {mid:0.0} s at 1 kHz, {mid / bar:0.0} bars."),
                ends.All(e => e is not null) ? [new("Let it end with the bar", ends.OfType<Edit>().ToSequence())] : []);
        }
    }

    /// <summary>The decay whose tail ends with the bar, on the step below; null where none is so short.</summary>
    private static SetParameter? EndWith(Channel channel, Insert insert, double bar, int sampleRateHz)
    {
        var range = insert.Kind().Find(Decay)!;
        var decay = Math.Floor(ReverbLaw.DecayFor(bar, MidHz, Lengths(insert, sampleRateHz), Value(insert, "damping-hz"), sampleRateHz) / range.Step) * range.Step;
        return decay >= range.Min ? new(channel.Id, insert.Id, Decay, Math.Round(decay, 3)) : null;
    }

    private static double MidSeconds(Insert insert, int sampleRateHz) =>
        ReverbLaw.DecayAt(MidHz, Lengths(insert, sampleRateHz), Value(insert, Decay), Value(insert, "damping-hz"), sampleRateHz);

    private static int[] Lengths(Insert insert, int sampleRateHz) =>
        [.. Enumerable.Range(0, ReverbLaw.Lines).Select(line => ReverbLaw.LengthFrames(line, Value(insert, "size-percent") / 100, sampleRateHz))];

    private static double Value(Insert insert, string parameter) => insert.Kind().Value(insert.Settings, parameter);
}
