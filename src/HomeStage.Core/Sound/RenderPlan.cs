using System.Numerics.Tensors;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Routing;
using HomeStage.Core.Sound.Instruments;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound;

/// <summary>A template set to work: the stages that the listening point needs, in order, each with what it does.</summary>
internal sealed class RenderPlan
{
    private readonly Template _template;
    private readonly SignalGraph _graph;
    private readonly RenderRequest _request;
    private readonly RenderRange _range;
    private readonly TimeMap _timeMap;
    private readonly NoteRoute _notes;
    private readonly IMediaShelf _shelf;
    private readonly int _capacity;
    private readonly DelayCompensation _compensation;
    private readonly ILookup<int, (Link Link, int Padding)> _entering;
    private readonly SignalBlock[] _blocks;
    private readonly List<Action<int>> _steps = [];
    private readonly HashSet<int> _sounding;
    private readonly Dictionary<(int Player, int Output), SignalBlock> _playerOutputs = [];

    /// <param name="request">Held against the template before.</param>
    public RenderPlan(Template template, RenderRequest request, IMediaShelf shelf, int blockFrames)
    {
        _shelf = shelf;
        _notes = new(template, request.Act);
        _template = template;
        _request = request;
        _capacity = blockFrames;
        _graph = new(template, request.Act);
        _range = RenderRange.Of(template, request.Section);
        _timeMap = new(template.Timeline);
        var order = StageOrder.Of(_graph);
        _compensation = DelayCompensation.Of(_graph, order, request.Act);
        _entering = _graph.Links.Select((link, i) => (Link: link, Padding: _compensation.PaddingFrames[i])).ToLookup(x => x.Link.To);
        _blocks = new SignalBlock[_graph.Stages.Count];
        var listened = template.Channels.IndexOf(request.ListenTo ?? template.Main.Id);
        Listened = _graph.PostOf(listened);
        // What nobody plays into is silent for good, and what does not lead to the listening point is not heard.
        var needed = Upstream(Listened);
        _sounding = Sounding(order);
        foreach (var stage in order.Where(needed.Contains).Where(_sounding.Contains))
            AddStep(stage);
        _blocks[Listened] ??= new(2, blockFrames);
        Output = new SignalBlock(2, blockFrames);
        var toOutput = new LinkMixer(_blocks[Listened], 1, Spread(Listened), 0);
        _steps.Add(frames =>
        {
            Output.Clear(frames);
            toOutput.AddTo(Output, frames);
        });
    }

    public SignalBlock Output { get; }

    public int LatencyFrames => _compensation.LatenessFrames[Listened];

    public long LengthFrames => (long)Math.Round(_range.Seconds * _template.SampleRateHz);

    private int Listened { get; }

    /// <summary>Renders the next frames into <see cref="Output"/>.</summary>
    public void Next(int frames)
    {
        foreach (var step in _steps)
            step(frames);
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

    private void AddStep(int index)
    {
        var stage = _graph.Stages[index];
        var channel = _template.Channels[stage.Channel];
        var block = _blocks[index] = new SignalBlock(channel.Format == ChannelFormat.Mono ? 1 : 2, _capacity);
        switch (stage.Kind)
        {
            case StageKind.Player:
                AddPlayer(index, channel);
                break;
            case StageKind.Input:
                AddSum(index, block, channel.PolarityFlipped);
                break;
            case StageKind.Insert:
                AddInsert(index, block, channel.Inserts[stage.Insert]);
                break;
            case StageKind.Pre:
                AddCopy(index, block, channel.Muted ? new(0, 0) : new(1, 1));
                break;
            case StageKind.Post:
                AddCopy(index, block, FaderGains(channel));
                break;
        }
    }

    private void AddPlayer(int index, Channel channel)
    {
        if (channel.Source is not InstrumentSource source)
        {
            var block = _playerOutputs[(index, 1)] = new(2, _capacity);
            var clips = new ClipPlayer(channel, _timeMap, _range, _shelf, _template.SampleRateHz);
            _steps.Add(frames => clips.Render(block, frames));
            return;
        }

        var outputs = new SignalBlock?[source.Kit?.Outputs.Count ?? 1];
        foreach (var link in _graph.Links.Where(l => l.From == index && l.Kind == LinkKind.InstrumentOutput))
        {
            var format = source.Kit?.Outputs[link.Output - 1].Format ?? ChannelFormat.Stereo;
            _playerOutputs[(index, link.Output)] = outputs[link.Output - 1] ??= new(format == ChannelFormat.Mono ? 1 : 2, _capacity);
        }

        var player = PlayerFactory.Create(source, Notes(channel), _template.PanLaw, _template.SampleRateHz);
        _steps.Add(frames => player.Render(outputs, frames));
    }

    private List<NoteEvent> Notes(Channel channel)
    {
        long Frame(double seconds) => (long)Math.Round((seconds - _range.StartSeconds) * _template.SampleRateHz);
        return [.. _notes.Of(channel)
            .Select(n => (Start: Frame(n.StartSeconds), End: Frame(n.EndSeconds), Note: n))
            .Where(n => n.Start >= 0 && n.Start < LengthFrames)
            .Select((n, i) => new NoteEvent(n.Start, Math.Max(n.Start + 1, n.End), n.Note.Number, n.Note.Velocity, i))];
    }

    private void AddSum(int index, SignalBlock block, bool flipped)
    {
        var mixers = Mixers(index, _ => true);
        _steps.Add(frames =>
        {
            block.Clear(frames);
            foreach (var mixer in mixers)
                mixer.AddTo(block, frames);
            if (flipped)
                block.Scale(-1, frames);
        });
    }

    private void AddInsert(int index, SignalBlock block, Insert insert)
    {
        var within = Mixers(index, kind => kind == LinkKind.Within);
        var keys = Mixers(index, kind => kind == LinkKind.Key);
        var processor = insert.IsLiveIn(_request.Act)
            ? ProcessorFactory.Create(insert, block.Lanes, new(_template.SampleRateHz, _range.TempoBpm) { Key = _template.Key })
            : null;
        var key = insert.Key is { On: true } && ProcessorCatalogue.Find(insert.Processor)!.HasKey ? new SignalBlock(2, _capacity) : null;
        _steps.Add(frames =>
        {
            block.Clear(frames);
            foreach (var mixer in within)
                mixer.AddTo(block, frames);
            key?.Clear(frames);
            foreach (var mixer in keys)
                mixer.AddTo(key!, frames);
            processor?.Process(block, key, frames);
        });
    }

    private void AddCopy(int index, SignalBlock block, PanGains gains)
    {
        var before = _blocks[index - 1];
        var (left, right) = ((float)gains.Left, (float)gains.Right);
        _steps.Add(frames =>
        {
            TensorPrimitives.Multiply(before.Lane(0, frames), left, block.Lane(0, frames));
            if (block.Lanes == 2)
                TensorPrimitives.Multiply(before.Lane(1, frames), right, block.Lane(1, frames));
        });
    }

    private PanGains FaderGains(Channel channel)
    {
        var fader = channel.Level.Linear;
        // A mono channel is panned where it enters something stereo.
        var balance = channel.Format == ChannelFormat.Mono ? new(1, 1) : PanGains.Balance(channel.Pan, _template.PanLaw);
        return new(fader * balance.Left, fader * balance.Right);
    }

    private LinkMixer[] Mixers(int index, Func<LinkKind, bool> which) =>
        [.. _entering[index].Where(x => which(x.Link.Kind) && _sounding.Contains(x.Link.From)).Select(Mixer)];

    private LinkMixer Mixer((Link Link, int Padding) entering)
    {
        var (link, padding) = entering;
        var from = link.Kind == LinkKind.InstrumentOutput ? _playerOutputs[(link.From, link.Output)] : _blocks[link.From];
        return new(from, (float)link.Level.Linear, link.Kind == LinkKind.Key ? new(1, 1) : Spread(link.From), padding);
    }

    /// <summary>How a mono signal taken at a stage spreads over two sides; unused by stereo ones.</summary>
    private PanGains Spread(int stage)
    {
        var channel = _template.Channels[_graph.Stages[stage].Channel];
        return PanGains.Mono(_graph.Stages[stage].Kind == StageKind.Post ? channel.Pan : 0, _template.PanLaw);
    }
}
