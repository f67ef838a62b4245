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
    private readonly HeardGraph _heard;
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
        _heard = new(template, request);
        Range = RenderRange.Of(template, request.Section);
        _factory = new(template, request, Range, shelf, new Movement(template));
        foreach (var stage in _heard.Stages)
            EnsureUnit(stage);
        Levels = [.. _units.GroupBy(u => _levels[u.Key]).OrderBy(g => g.Key).Select(g => g.OrderBy(u => u.Key).Select(u => u.Value).ToArray())];
        if (_blocks.TryGetValue(_heard.Listened, out var block))
            _toOutput = new(block, 1, Spread(_heard.Listened), 0);
    }

    public RenderRange Range { get; }

    /// <summary>Units by level: those of one level need nothing of each other.</summary>
    public IReadOnlyList<IUnit[]> Levels { get; }

    public int LatencyFrames => _heard.LatencyFrames;

    public long LengthFrames => (long)Math.Round(Range.Seconds * _template.SampleRateHz);

    /// <summary>The channels at work, by their place in the template.</summary>
    public IEnumerable<(Channel Channel, ChannelUnit Unit)> Channels =>
        _units.Where(u => u.Value is ChannelUnit).OrderBy(u => u.Key).Select(u => (_heard.ChannelOf(u.Key), (ChannelUnit)u.Value));

    /// <summary>Adds what the listening point gave in the last stretch to two lanes.</summary>
    /// <param name="start">From the stretch's start.</param>
    /// <param name="output">Two lanes, cleared.</param>
    /// <param name="frames">At most <see cref="IUnit.Block"/>.</param>
    public void Listen(SignalBlock output, int start, long frame, int frames) => _toOutput?.AddTo(output, start, frame, frames);

    /// <summary>Makes the unit that a stage is part of, once all units that feed it are there.</summary>
    /// <returns>Its level.</returns>
    private int EnsureUnit(int stage)
    {
        var graph = _heard.Graph;
        var isPlayer = graph.Stages[stage].Kind == StageKind.Player;
        var (first, last) = isPlayer ? (stage, stage) : (graph.InputOf(graph.Stages[stage].Channel), graph.PostOf(graph.Stages[stage].Channel));
        if (_levels.TryGetValue(first, out var known))
            return known;
        var level = 0;
        for (var part = first; part <= last; part++)
            foreach (var (link, _) in _heard.SoundingInto(part))
                level = Math.Max(level, EnsureUnit(link.From) + 1);
        _units[first] = isPlayer ? NewPlayer(stage) : NewChannel(first);
        return _levels[first] = level;
    }

    private PlayerUnit NewPlayer(int stage)
    {
        var channel = _heard.ChannelOf(stage);
        if (channel.Source is InstrumentSource source)
            return NewInstrument(stage, channel, source);
        var block = _playerOutputs[(stage, 1)] = new(2, IUnit.Stretch);
        if (channel.Source is InputSource)
        {
            var performed = _factory.Performed(channel);
            return new(frames => performed.Render([block], frames));
        }

        var clips = _factory.Clips(channel);
        return new(frames => clips.Render(block, frames));
    }

    private PlayerUnit NewInstrument(int stage, Channel channel, InstrumentSource source)
    {
        var outputs = new SignalBlock?[source.Kit?.Outputs.Count ?? 1];
        foreach (var link in _heard.Graph.Links.Where(l => l.From == stage && l.Kind == LinkKind.InstrumentOutput))
        {
            var format = source.Kit?.Outputs[link.Output - 1].Format ?? ChannelFormat.Stereo;
            _playerOutputs[(stage, link.Output)] = outputs[link.Output - 1] ??= new(format == ChannelFormat.Mono ? 1 : 2, IUnit.Stretch);
        }

        var player = _factory.Player(channel, source);
        return new(frames => player.Render(outputs, frames));
    }

    private ChannelUnit NewChannel(int input)
    {
        var (channel, index) = (_heard.ChannelOf(input), _heard.Graph.Stages[input].Channel);
        var lanes = channel.Format == ChannelFormat.Mono ? 1 : 2;
        var strip = channel.Inserts.Select((insert, place) => NewInsert(_heard.Graph.InsertOf(index, place), channel, insert, lanes)).ToArray();
        var (pre, post) = (_heard.Graph.PreOf(index), _heard.Graph.PostOf(index));
        var keyed = Enumerable.Range(0, strip.Length).FirstOrDefault(i => _heard.Taken.Contains(_heard.Graph.InsertOf(index, i)), -1);
        var fader = _factory.Fader(channel, _heard.LatenessOf(post));
        return new(lanes, Mixers(input, _ => true), strip)
        {
            IsFlipped = channel.PolarityFlipped,
            IsMuted = channel.Muted,
            Input = Taken(input, lanes),
            Pre = Taken(pre, lanes),
            Post = Taken(post, lanes),
            Gains = fader.Still,
            MovingGains = fader.Moving,
            KeyHeard = keyed < 0 ? null : (keyed, Taken(_heard.Graph.InsertOf(index, keyed), 2)!),
        };
    }

    private InsertAtWork NewInsert(int stage, Channel channel, Insert insert, int lanes)
    {
        var within = _heard.Entering[stage].Where(x => x.Link.Kind == LinkKind.Within).Select(x => x.Padding).FirstOrDefault();
        var hasKey = insert.Key is { On: true } && ProcessorCatalogue.Find(insert.Processor)!.HasKey;
        return _factory.Insert(
            channel, insert, lanes, _heard.LatenessOf(stage) - _heard.OwnLatency(stage),
            within == 0 ? [] : [.. Enumerable.Range(0, lanes).Select(_ => new HeldBack(within))],
            hasKey ? Mixers(stage, kind => kind == LinkKind.Key) : [],
            hasKey ? new SignalBlock(2, IUnit.Block) : null);
    }

    private SignalBlock? Taken(int stage, int lanes) => _heard.Taken.Contains(stage) ? _blocks[stage] = new(lanes, IUnit.Stretch) : null;

    private LinkMixer[] Mixers(int stage, Func<LinkKind, bool> which) =>
        [.. _heard.SoundingInto(stage).Where(x => which(x.Link.Kind)).Select(Mixer)];

    private LinkMixer Mixer((Link Link, int Padding) entering)
    {
        var (link, padding) = entering;
        var from = link.Kind == LinkKind.InstrumentOutput ? _playerOutputs[(link.From, link.Output)] : _blocks[link.From];
        var arrives = _heard.LatenessOf(link.From) + padding;
        var level = link.Kind == LinkKind.Send
            ? _factory.Send(_heard.ChannelOf(link.From), _heard.ChannelOf(link.To).Id, link.Level, arrives)
            : new((float)link.Level.Linear, null);
        return link.Kind == LinkKind.Key
            ? new(from, level.Still, new(1, 1), padding)
            : new(from, level.Still, Spread(link.From), padding, level.Moving, MovingSpread(link.From, arrives));
    }

    /// <summary>How a mono signal taken at a stage spreads over two sides; unused by stereo ones.</summary>
    private PanGains Spread(int stage) =>
        PanGains.Mono(_heard.Graph.Stages[stage].Kind == StageKind.Post ? _factory.Pan(_heard.ChannelOf(stage)) : 0, _template.PanLaw);

    private (MovingGain Left, MovingGain Right)? MovingSpread(int stage, int lateness)
    {
        var channel = _heard.ChannelOf(stage);
        return channel.Format == ChannelFormat.Mono && _heard.Graph.Stages[stage].Kind == StageKind.Post ? _factory.MovingPan(channel, lateness) : null;
    }
}
