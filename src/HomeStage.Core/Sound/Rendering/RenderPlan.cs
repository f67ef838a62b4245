using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Media;
using HomeStage.Core.Routing;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>A template set to work: the units that the listening point needs, level by level, each with what it does.</summary>
internal sealed class RenderPlan
{
    private readonly Template _template;
    private readonly SignalGraph _graph;
    private readonly RenderRequest _request;
    private readonly DelayCompensation _compensation;
    private readonly ILookup<int, (Link Link, int Padding)> _entering;
    private readonly HashSet<int> _sounding;
    private readonly HashSet<int> _taken = [];
    private readonly Dictionary<int, SignalBlock> _blocks = [];
    private readonly Dictionary<(int Player, int Output), SignalBlock> _playerOutputs = [];
    private readonly Dictionary<int, int> _levels = [];
    private readonly Dictionary<int, IUnit> _units = [];
    private readonly UnitFactory _factory;
    private readonly LinkMixer? _toOutput;

    /// <param name="request">Held against the template before.</param>
    public RenderPlan(Template template, RenderRequest request, IMediaShelf shelf)
    {
        _template = template;
        _request = request;
        _graph = new(template, request.Act);
        Range = RenderRange.Of(template, request.Section);
        var order = StageOrder.Of(_graph);
        _compensation = DelayCompensation.Of(_graph, order, request.Act);
        _entering = _graph.Links.Select((link, i) => (Link: link, Padding: _compensation.PaddingFrames[i])).ToLookup(x => x.Link.To);
        _factory = new(template, request, Range, shelf, new Movement(template));
        var listened = ListenedStage();
        LatencyFrames = _compensation.LatenessFrames[listened.Stage] - (listened.IsKey ? OwnLatency(listened.Stage) : 0);
        // What nobody plays into is silent for good, and what does not lead to the listening point is not heard.
        // A channel works as a whole, so what its strip hears after the listening point is needed too.
        var needed = Upstream(_graph.PostOf(_graph.Stages[listened.Stage].Channel));
        _sounding = Sounding(order);
        foreach (var stage in needed.Where(_sounding.Contains))
            foreach (var (link, _) in _entering[stage].Where(x => x.Link.Kind != LinkKind.Within))
                _taken.Add(link.From);
        _taken.Add(listened.Stage);
        foreach (var stage in order.Where(needed.Contains).Where(_sounding.Contains))
            EnsureUnit(stage);
        Levels = [.. _units.GroupBy(u => _levels[u.Key]).OrderBy(g => g.Key).Select(g => g.OrderBy(u => u.Key).Select(u => u.Value).ToArray())];
        if (_blocks.TryGetValue(listened.Stage, out var heard))
            _toOutput = new(heard, 1, Spread(listened.Stage), 0);
    }

    public RenderRange Range { get; }

    /// <summary>Units by level: those of one level need nothing of each other.</summary>
    public IReadOnlyList<IUnit[]> Levels { get; }

    public int LatencyFrames { get; }

    public long LengthFrames => (long)Math.Round(Range.Seconds * _template.SampleRateHz);

    /// <summary>The channels at work, by their place in the template.</summary>
    public IEnumerable<(Channel Channel, ChannelUnit Unit)> Channels =>
        _units.Where(u => u.Value is ChannelUnit).OrderBy(u => u.Key).Select(u => (_template.Channels[_graph.Stages[u.Key].Channel], (ChannelUnit)u.Value));

    /// <summary>Adds what the listening point gave in the last stretch to two lanes.</summary>
    /// <param name="start">From the stretch's start.</param>
    /// <param name="output">Two lanes, cleared.</param>
    /// <param name="frames">At most <see cref="IUnit.Block"/>.</param>
    public void Listen(SignalBlock output, int start, long frame, int frames) => _toOutput?.AddTo(output, start, frame, frames);

    private (int Stage, bool IsKey) ListenedStage()
    {
        var channel = _template.Channels.IndexOf(_request.ListenTo ?? _template.Main.Id);
        return _request.Point switch
        {
            ListeningPoint.AfterFader => (_graph.PostOf(channel), false),
            ListeningPoint.BeforeFader => (_graph.PreOf(channel), false),
            ListeningPoint.Feeding => (_graph.InputOf(channel), false),
            ListeningPoint.Key => (_graph.InsertOf(channel, _template.Channels[channel].Inserts.IndexWhere(i => i.Id == _request.Insert)), true),
            _ => throw new InvalidOperationException($"{_request.Point} is not a listening point."),
        };
    }

    private HashSet<int> Upstream(int stage)
    {
        var found = new HashSet<int> { stage };
        var open = new Stack<int>(found);
        while (open.TryPop(out var next))
            foreach (var (link, _) in _entering[next])
                if (found.Add(link.From))
                    open.Push(link.From);
        return found;
    }

    private HashSet<int> Sounding(IReadOnlyList<int> order)
    {
        var sounding = new HashSet<int>();
        foreach (var stage in order)
            if (_graph.Stages[stage].Kind == StageKind.Player || _entering[stage].Any(x => sounding.Contains(x.Link.From)))
                sounding.Add(stage);
        return sounding;
    }

    /// <summary>Makes the unit that a stage is part of, once all units that feed it are there.</summary>
    /// <returns>Its level.</returns>
    private int EnsureUnit(int stage)
    {
        var isPlayer = _graph.Stages[stage].Kind == StageKind.Player;
        var first = isPlayer ? stage : _graph.InputOf(_graph.Stages[stage].Channel);
        if (_levels.TryGetValue(first, out var known))
            return known;
        var channel = _template.Channels[_graph.Stages[stage].Channel];
        var last = isPlayer ? stage : _graph.PostOf(_graph.Stages[stage].Channel);
        var level = 0;
        for (var part = first; part <= last; part++)
            foreach (var (link, _) in _entering[part].Where(x => x.Link.Kind != LinkKind.Within && _sounding.Contains(x.Link.From)))
                level = Math.Max(level, EnsureUnit(link.From) + 1);
        _units[first] = isPlayer ? NewPlayer(stage, channel) : NewChannel(first, channel);
        return _levels[first] = level;
    }

    private PlayerUnit NewPlayer(int stage, Channel channel)
    {
        if (channel.Source is not InstrumentSource source)
        {
            var block = _playerOutputs[(stage, 1)] = new(2, IUnit.Stretch);
            if (channel.Source is InputSource)
            {
                var performed = _factory.Performed(channel);
                return new(frames => performed.Render([block], frames));
            }

            var clips = _factory.Clips(channel);
            return new(frames => clips.Render(block, frames));
        }

        var outputs = new SignalBlock?[source.Kit?.Outputs.Count ?? 1];
        foreach (var link in _graph.Links.Where(l => l.From == stage && l.Kind == LinkKind.InstrumentOutput))
        {
            var format = source.Kit?.Outputs[link.Output - 1].Format ?? ChannelFormat.Stereo;
            _playerOutputs[(stage, link.Output)] = outputs[link.Output - 1] ??= new(format == ChannelFormat.Mono ? 1 : 2, IUnit.Stretch);
        }

        var player = _factory.Player(channel, source);
        return new(frames => player.Render(outputs, frames));
    }

    private ChannelUnit NewChannel(int input, Channel channel)
    {
        var index = _graph.Stages[input].Channel;
        var lanes = channel.Format == ChannelFormat.Mono ? 1 : 2;
        var strip = channel.Inserts.Select((insert, place) => NewInsert(_graph.InsertOf(index, place), channel, insert, lanes)).ToArray();
        var (pre, post) = (_graph.PreOf(index), _graph.PostOf(index));
        var keyed = Enumerable.Range(0, strip.Length).FirstOrDefault(i => _taken.Contains(_graph.InsertOf(index, i)), -1);
        var fader = _factory.Fader(channel, _compensation.LatenessFrames[post]);
        return new(lanes, Mixers(input, _ => true), strip)
        {
            IsFlipped = channel.PolarityFlipped,
            IsMuted = channel.Muted,
            Input = Taken(input, lanes),
            Pre = Taken(pre, lanes),
            Post = Taken(post, lanes),
            Gains = fader.Still,
            MovingGains = fader.Moving,
            KeyHeard = keyed < 0 ? null : (keyed, Taken(_graph.InsertOf(index, keyed), 2)!),
        };
    }

    private InsertAtWork NewInsert(int stage, Channel channel, Insert insert, int lanes)
    {
        var within = _entering[stage].Where(x => x.Link.Kind == LinkKind.Within).Select(x => x.Padding).FirstOrDefault();
        var hasKey = insert.Key is { On: true } && ProcessorCatalogue.Find(insert.Processor)!.HasKey;
        return _factory.Insert(
            channel, insert, lanes, _compensation.LatenessFrames[stage] - OwnLatency(stage),
            within == 0 ? [] : [.. Enumerable.Range(0, lanes).Select(_ => new HeldBack(within))],
            hasKey ? Mixers(stage, kind => kind == LinkKind.Key) : [],
            hasKey ? new SignalBlock(2, IUnit.Block) : null);
    }

    private int OwnLatency(int stage)
    {
        var insert = _template.Channels[_graph.Stages[stage].Channel].Inserts[_graph.Stages[stage].Insert];
        return insert.IsLiveIn(_request.Act) ? ProcessorCatalogue.Find(insert.Processor)!.LatencyFrames(insert.Settings, _template.SampleRateHz) : 0;
    }

    private SignalBlock? Taken(int stage, int lanes) => _taken.Contains(stage) ? _blocks[stage] = new(lanes, IUnit.Stretch) : null;

    private LinkMixer[] Mixers(int stage, Func<LinkKind, bool> which) =>
        [.. _entering[stage].Where(x => x.Link.Kind != LinkKind.Within && which(x.Link.Kind) && _sounding.Contains(x.Link.From)).Select(Mixer)];

    private LinkMixer Mixer((Link Link, int Padding) entering)
    {
        var (link, padding) = entering;
        var from = link.Kind == LinkKind.InstrumentOutput ? _playerOutputs[(link.From, link.Output)] : _blocks[link.From];
        var source = _template.Channels[_graph.Stages[link.From].Channel];
        var arrives = _compensation.LatenessFrames[link.From] + padding;
        var level = link.Kind == LinkKind.Send
            ? _factory.Send(source, _template.Channels[_graph.Stages[link.To].Channel].Id, link.Level, arrives)
            : new((float)link.Level.Linear, null);
        return link.Kind == LinkKind.Key
            ? new(from, level.Still, new(1, 1), padding)
            : new(from, level.Still, Spread(link.From), padding, level.Moving, MovingSpread(link.From, arrives));
    }

    /// <summary>How a mono signal taken at a stage spreads over two sides; unused by stereo ones.</summary>
    private PanGains Spread(int stage)
    {
        var channel = _template.Channels[_graph.Stages[stage].Channel];
        return PanGains.Mono(_graph.Stages[stage].Kind == StageKind.Post ? _factory.Pan(channel) : 0, _template.PanLaw);
    }

    private (MovingGain Left, MovingGain Right)? MovingSpread(int stage, int lateness)
    {
        var channel = _template.Channels[_graph.Stages[stage].Channel];
        return channel.Format == ChannelFormat.Mono && _graph.Stages[stage].Kind == StageKind.Post ? _factory.MovingPan(channel, lateness) : null;
    }
}
