using HomeStage.Core.Compiling;
using HomeStage.Core.Media;
using HomeStage.Core.Routing;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Sound.Tapes;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>A template set to work: the units that the listening point needs, level by level, each with what it does.</summary>
internal sealed class RenderPlan
{
    private readonly HeardGraph _heard;
    private readonly Dictionary<int, int> _levels = [];
    private readonly Dictionary<int, IUnit> _units = [];
    private readonly Patchbay _patchbay;
    private readonly Taping _taping;
    private readonly Dictionary<int, Tape> _recorded = [];
    private readonly LinkMixer? _toOutput;

    /// <param name="request">Held against the template before.</param>
    /// <param name="tapes">Null where nothing is played from tape or recorded.</param>
    /// <param name="stems">Channels on the way whose sound is taken besides; null for none. Never with tapes.</param>
    /// <param name="tailFrames">What is kept beyond the end of the range, at least 0.</param>
    public RenderPlan(CompiledTemplate compiled, RenderRequest request, IMediaShelf shelf, TapeShelf? tapes, IReadOnlyList<Stem>? stems = null, long tailFrames = 0)
    {
        var template = compiled.Template;
        _heard = new(compiled, request);
        var range = RenderRange.Of(template, request);
        LeadFrames = range.LeadFrames(template.SampleRateHz);
        LengthFrames = range.Frames(template.SampleRateHz) + tailFrames;
        EndFrames = LeadFrames + LengthFrames + _heard.LongestLatencyFrames;
        foreach (var stem in stems ?? [])
            _heard.Taken.Add(_heard.StageOf(stem));
        _taping = new(_heard, new(compiled, request, _heard, shelf, EndFrames), tapes, EndFrames);
        _patchbay = new(_heard, new(compiled, request, range, shelf));
        var last = _heard.Graph.PostOf(_heard.Graph.Stages[_heard.Listened].Channel);
        if (_heard.Sounds(last))
            EnsureUnit(last);
        Levels = [.. _units.GroupBy(u => _levels[u.Key]).OrderBy(g => g.Key).Select(g => GangUnit.Gathered(g.OrderBy(u => u.Key).Select(u => u.Value)).ToArray())];
        _toOutput = _patchbay.ToOutput();
        var through = (stems ?? []).Select(_patchbay.Through).ToList();
        Stems = [.. (stems ?? []).Select((s, i) => through[i]?.Tap ?? _patchbay.ToStem(s))];
        if (through.Exists(t => t is not null))
            Levels = [.. Levels, [.. through.OfType<(IUnit Unit, StemTap Tap)>().Select(t => t.Unit)]];
    }

    /// <summary>Where the stems that were asked for are taken, in their order.</summary>
    public IReadOnlyList<StemTap> Stems { get; }

    /// <summary>Units by level: those of one level need nothing of each other.</summary>
    public IReadOnlyList<IUnit[]> Levels { get; }

    public int LatencyFrames => _heard.LatencyFrames;

    /// <summary>Frames before the first that is kept, lateness included.</summary>
    public long SkippedFrames => LeadFrames + LatencyFrames;

    /// <summary>How many frames come before those that are kept.</summary>
    public long LeadFrames { get; }

    /// <summary>How many frames are kept.</summary>
    public long LengthFrames { get; }

    /// <summary>How many frames are worked out: as many for every listening point, so that tapes serve them all.</summary>
    public long EndFrames { get; }

    /// <summary>How many channels are on the tapes that play.</summary>
    public int ChannelsFromTape => _units.Values.OfType<TapedUnit>().SelectMany(t => t.Tape.Channels).Select(m => m.Channel).Distinct().Count();

    /// <summary>Adds what the listening point gave in the last stretch to two lanes.</summary>
    /// <param name="start">From the stretch's start.</param>
    /// <param name="output">Two lanes, cleared.</param>
    /// <param name="frames">At most <see cref="Pace.BlockFrames"/>.</param>
    public void Listen(SignalBlock output, int start, long frame, int frames) => _toOutput?.AddTo(output, start, frame, frames);

    /// <summary>What the insert that is listened after took off, in dB, every <see cref="RenderedSound.ReductionFrames"/> frames of what is kept; the
    /// largest within each.</summary>
    /// <returns>None where nobody listens after an insert, or it never turns anything down.</returns>
    public Sequence<float> ReductionsDb()
    {
        if (_patchbay.Trace.Count == 0)
            return [];
        var steps = new float[(int)((LengthFrames + RenderedSound.ReductionFrames - 1) / RenderedSound.ReductionFrames)];
        foreach (var (frame, db) in _patchbay.Trace)
            if (frame >= SkippedFrames && (frame - SkippedFrames) / RenderedSound.ReductionFrames is var step && step < steps.Length)
                steps[step] = Math.Max(steps[step], db);
        return steps.ToSequence();
    }

    /// <returns>What the meters of all channels on the way read, whether at work or on tape, by their place in the template.</returns>
    public Sequence<ChannelMeters> ReadMeters()
    {
        var read = new Dictionary<ChannelId, ChannelMeters>();
        foreach (var (stage, unit) in _units)
            foreach (var meters in MetersOf(stage, unit))
                read[meters.Channel] = meters;
        return [.. _heard.Graph.Template.Channels.Where(c => read.ContainsKey(c.Id)).Select(c => read[c.Id])];
    }

    /// <summary>Once all is rendered: puts what was recorded on the shelf.</summary>
    /// <param name="meters">Of all channels.</param>
    public void KeepTapes(TapeShelf tapes, Sequence<ChannelMeters> meters)
    {
        foreach (var (channel, tape) in _recorded)
        {
            var leading = LeadingTo(channel);
            tapes.Keep(_taping.RecordedFor(channel)!, tape with { Channels = [.. meters.Where(m => leading.Contains(m.Channel))] });
        }
    }

    private HashSet<ChannelId> LeadingTo(int channel) => _heard.StripsLeadingTo(channel).Select(c => c.Id).ToHashSet();

    /// <summary>Makes the unit that a stage is part of, once all units that feed it are there.</summary>
    /// <returns>Its level.</returns>
    private int EnsureUnit(int stage)
    {
        var graph = _heard.Graph;
        var isPlayer = graph.Stages[stage].Kind == StageKind.Player;
        var channel = graph.Stages[stage].Channel;
        var (first, last) = isPlayer ? (stage, stage) : (graph.InputOf(channel), graph.PostOf(channel));
        if (_levels.TryGetValue(first, out var known))
            return known;
        if (!isPlayer && _taping.PlayedFor(channel) is { } tape)
        {
            _units[first] = Playing(channel, tape);
            return _levels[first] = 0;
        }

        var level = 0;
        for (var part = first; part <= last; part++)
            foreach (var (link, _) in _heard.SoundingInto(part))
                level = Math.Max(level, EnsureUnit(link.From) + 1);
        _units[first] = isPlayer ? _patchbay.NewPlayer(stage) : Recording(channel, _patchbay.NewChannel(first));
        return _levels[first] = level;
    }

    private TapedUnit Playing(int channel, Tape tape)
    {
        _patchbay.Open(channel);
        return new(tape, [.. _patchbay.TakenOf(channel).Select(t => (tape.Lanes[t.Place], t.Block))]);
    }

    private IUnit Recording(int channel, ChannelUnit unit)
    {
        if (_taping.RecordedFor(channel) is null)
            return unit;
        var places = _patchbay.TakenOf(channel)
            .Select(t => (t.Place, t.Block, Lanes: Enumerable.Range(0, t.Block.Lanes).Select(_ => new float[EndFrames]).ToArray()))
            .ToList();
        _recorded[channel] = new(places.ToDictionary(p => p.Place, p => p.Lanes), []);
        return new RecordedUnit(unit, [.. places.Select(p => (p.Lanes, p.Block))]);
    }

    private IEnumerable<ChannelMeters> MetersOf(int stage, IUnit unit) => unit switch
    {
        // What led there when it was recorded may lead nowhere by now: a feed of nothing, taken away, changes no sound.
        TapedUnit taped => LeadingTo(_heard.Graph.Stages[stage].Channel) is var leading ? taped.Tape.Channels.Where(m => leading.Contains(m.Channel)) : [],
        RecordedUnit recorded => MetersOf(stage, recorded.Unit),
        ChannelUnit channel => [new(_heard.ChannelOf(stage).Id, channel.Meter.Read(), channel.Reductions.ToSequence()) { Full = channel.Bridge?.Read() }],
        _ => [],
    };
}
