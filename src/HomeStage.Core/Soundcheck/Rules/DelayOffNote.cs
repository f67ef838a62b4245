using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Playing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Core.Writing;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A tap of a delay that stands on no note value, nor on the sixteenths or the eighth triplets: its repeats run beside the beat.</summary>
public sealed class DelayOffNote : ISoundcheckRule
{
    private static readonly (string Parameter, string Name)[] Taps = [("left-quarters", "left"), ("right-quarters", "right")];
    private static readonly double[] Grids = [0.25, 1 / 3.0];

    // What is heard as beside the beat begins well above a rounded number.
    private const double Tolerance = 0.005;

    public string Id => "delay-off-note";

    public string Group => "Sends";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        // Asked for only where something stands out.
        var held = new Lazy<ILookup<ChannelId, HeldValue>>(() => HeldValue.Of(template));
        foreach (var channel in template.Channels.Where(c => c.StageIn(act) != StageState.InTheWings))
        {
            var off = channel.Inserts.Where(i => i is { Processor: ProcessorCatalogue.Delay, Device: null } && i.IsLiveIn(template, act))
                .SelectMany(i => Taps.Take(channel.Format == ChannelFormat.Mono ? 1 : 2).Select(t => (Insert: i, t.Parameter, t.Name)))
                .Where(t => !IsOn(Quarters(t.Insert, t.Parameter)) && held.Value[channel.Id].All(h => h.Place != $"insert/{t.Insert.Id}/{t.Parameter}")).ToList();
            if (off.Count > 0)
                yield return new(Id, Severity.Hint, [channel.Id],
                    $"{off[0].Insert.Title()} on {channel.Name} has {(off.Count == 1 ? $"its {off[0].Name} tap" : "its taps")} on no note value: the repeats run beside the beat.",
                    [new("On the nearest note values", off.Select(t => (Edit)new SetParameter(channel.Id, t.Insert.Id, t.Parameter, Nearest(t.Insert, t.Parameter))).ToSequence())]);
        }
    }

    private static double Quarters(Insert insert, string parameter) => insert.Kind().Value(insert.Settings, parameter);

    private static bool IsOn(double quarters) =>
        NoteWords.Usual.Any(n => Math.Abs(quarters / n.Quarters - 1) < Tolerance) || Grids.Any(g => Math.Round(quarters / g) is var steps && steps >= 1 && Math.Abs(quarters / (steps * g) - 1) < Tolerance);

    /// <summary>In the sense of a ratio, within what the tap takes.</summary>
    private static double Nearest(Insert insert, string parameter)
    {
        var (range, quarters) = (insert.Kind().Find(parameter)!, Quarters(insert, parameter));
        return NoteWords.Usual.Select(n => n.Quarters).Where(q => q >= range.Min && q <= range.Max).MinBy(q => Math.Abs(Math.Log(q / quarters)));
    }
}
