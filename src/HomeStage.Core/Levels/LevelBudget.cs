using HomeStage.Core.Compiling;
using HomeStage.Core.Routing;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Levels;

/// <summary>What a channel's level will be, after its fader. A prediction of loudness, not of peaks.</summary>
/// <param name="ExpectedLufs">Different sources add as powers; null for silence.</param>
/// <param name="WorstLufs">All of them add as amplitudes; null for silence.</param>
public sealed record PredictedLevel(ChannelId Channel, double? ExpectedLufs, double? WorstLufs);

/// <summary>A source that comes to one sum by more than one way with the same processing.</summary>
/// <param name="AddsDb">By how much it is louder there than by the louder way alone; negative where they take each other away, null
/// where nothing is left.</param>
public sealed record DoubledPath(ChannelId Source, ChannelId Sum, double? AddsDb);

/// <summary>Where a template's levels will come to lie, without rendering it.</summary>
/// <remarks>Both sides of a stereo source count as alike. Paths of the same source add as signed amplitudes where their
/// processing is the same, since delay compensation brings them together in time; otherwise as powers.</remarks>
public sealed class LevelBudget
{
    private readonly Template _template;
    private readonly SignalGraph _graph;
    private readonly SourceLevels _sources;
    private readonly string _act;
    private readonly ILookup<int, int> _entering;
    private readonly Dictionary<int, List<PathOfSource>> _at = [];
    private readonly List<DoubledPath> _doubled = [];

    private LevelBudget(CompiledAct compiled)
    {
        _template = compiled.Template;
        _act = compiled.Act;
        _graph = compiled.Graph;
        _sources = new(compiled.Notes);
        _entering = compiled.Entering;
        foreach (var stage in compiled.Order)
            if (_graph.Stages[stage].Kind != StageKind.Player)
                _at[stage] = After(stage);
    }

    /// <summary>Of all channels that are out of the wings, in the template's order.</summary>
    public Sequence<PredictedLevel> Levels { get; private set; } = [];

    public Sequence<DoubledPath> Doubled => [.. _doubled];

    /// <exception cref="ArgumentException">The template has no such act.</exception>
    public static LevelBudget Of(Template template, string act) => Of(new CompiledTemplate(template).In(act));

    public static LevelBudget Of(CompiledAct compiled)
    {
        var budget = new LevelBudget(compiled);
        budget.Levels = [.. Enumerable.Range(0, compiled.Template.Channels.Count).Where(budget._graph.Runs).Select(budget.LevelOf)];
        return budget;
    }

    /// <returns>The dB that bring a channel's expected loudness to a target; null for silence.</returns>
    public double? GainTo(ChannelId channel, double targetLufs) =>
        Levels.FirstOrDefault(l => l.Channel == channel)?.ExpectedLufs is { } expected ? targetLufs - expected : null;

    private PredictedLevel LevelOf(int channel)
    {
        var paths = _at[_graph.PostOf(channel)];
        return new(_template.Channels[channel].Id, Lufs(PathOfSource.Power(paths)), Lufs(PathOfSource.WorstPower(paths)));
    }

    private static double? Lufs(double power) => power < 1e-20 ? null : 10 * Math.Log10(power);

    private List<PathOfSource> After(int stage)
    {
        var (channel, kind) = (_template.Channels[_graph.Stages[stage].Channel], _graph.Stages[stage].Kind);
        var within = Entering(stage).Where(l => l.Kind == LinkKind.Within).SelectMany(l => _at.GetValueOrDefault(l.From, [])).ToList();
        return kind switch
        {
            StageKind.Input => Summed(stage, channel),
            StageKind.Insert => Through(channel.Inserts[_graph.Stages[stage].Insert], within, channel.Format),
            StageKind.Pre => channel.Muted ? [] : within,
            _ => [.. within.Select(p => Faded(p, channel))],
        };
    }

    private IEnumerable<Link> Entering(int stage) => _entering[stage].Select(l => _graph.Links[l]);

    private List<PathOfSource> Summed(int stage, Channel channel)
    {
        var byLink = Entering(stage).Where(l => l.Kind != LinkKind.Key).SelectMany(l => Arriving(l, channel.Format).Select(p => (Link: l, Path: p))).ToList();
        foreach (var same in byLink.GroupBy(x => x.Path.Way).Where(g => g.Count() > 1))
        {
            var (together, loudest) = (PathOfSource.Power(PathOfSource.Summed(same.Select(x => x.Path))), same.Max(x => PathOfSource.Power([x.Path])));
            if (loudest > 0)
                _doubled.Add(new(_template.Channels[_graph.Stages[same.Key.Source.Player].Channel].Id, channel.Id, together < 1e-12 * loudest ? null : 10 * Math.Log10(together / loudest)));
        }

        var sign = channel.PolarityFlipped ? -1 : 1;
        return PathOfSource.Fewer([.. PathOfSource.Summed(byLink.Select(x => x.Path)).Select(p => p.Turned(sign))], stage);
    }

    private IEnumerable<PathOfSource> Arriving(Link link, ChannelFormat into)
    {
        var from = _template.Channels[_graph.Stages[link.From].Channel];
        if (link.Kind == LinkKind.InstrumentOutput)
        {
            var amplitude = _sources.Of(from, link.Output);
            var format = from.Source is InstrumentSource { Kit: { } kit } ? kit.Outputs[link.Output - 1].Format : ChannelFormat.Stereo;
            var source = format == ChannelFormat.Mono ? (amplitude, 0) : (amplitude, amplitude);
            return amplitude == 0 ? [] : [Fitted(new((link.From, link.Output), [], source.Item1, source.Item2), format, into, 0)];
        }

        var pan = _graph.Stages[link.From].Kind == StageKind.Post ? from.Pan : 0;
        return _at.GetValueOrDefault(link.From, []).Select(p => Fitted(p.Turned(link.Level.Linear), from.Format, into, pan));
    }

    private PathOfSource Fitted(PathOfSource path, ChannelFormat from, ChannelFormat into, double pan) => (from, into) switch
    {
        (ChannelFormat.Mono, ChannelFormat.Stereo) => PanGains.Mono(pan, _template.PanLaw) is var g ? path.Spread(g.Left, g.Right) : path,
        (ChannelFormat.Stereo, ChannelFormat.Mono) => path.Folded(),
        _ => path,
    };

    private PathOfSource Faded(PathOfSource path, Channel channel)
    {
        var balance = channel.Format == ChannelFormat.Mono ? new(1, 1) : PanGains.Balance(channel.Pan, _template.PanLaw);
        return path with { Left = path.Left * channel.Level.Linear * balance.Left, Right = path.Right * channel.Level.Linear * balance.Right };
    }

    private List<PathOfSource> Through(Insert insert, List<PathOfSource> paths, ChannelFormat format)
    {
        if (!insert.IsLiveIn(_template, _act) || paths.Count == 0)
            return paths;
        var lane = PathOfSource.Power(paths) / (format == ChannelFormat.Mono ? 1 : 2);
        var gain = InsertGain.Of(insert, 10 * Math.Log10(Math.Max(1e-20, lane)), _template.SampleRateHz);
        if (InsertGain.OnlyTurns(insert))
            return paths.ConvertAll(p => p.Turned(gain));
        PathOfSource Worked(PathOfSource p, double share) => p.Turned(gain * share) with { Chain = p.Chain.Add(Nameless(insert)) };
        return InsertGain.WetShare(insert) is { } wet
            ? [.. paths.Where(_ => wet < 1).Select(p => p.Turned(1 - wet)), .. paths.Where(_ => wet > 0).Select(p => Worked(p, wet))]
            : paths.ConvertAll(p => Worked(p, 1));
    }

    private static Insert Nameless(Insert insert) => new(new("x"), insert.Processor) { Settings = insert.Settings, Key = insert.Key, Trigger = insert.Trigger };
}
