using HomeStage.Core.Catalogue;
using HomeStage.Core.Routing;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>Makes the units of a render and joins them: every signal that is taken has one block here.</summary>
internal sealed class Patchbay(HeardGraph heard, UnitFactory factory)
{
    private readonly Dictionary<int, SignalBlock> _blocks = [];
    private readonly Dictionary<(int Player, int Output), SignalBlock> _playerOutputs = [];

    /// <summary>What the insert that is listened after took off, block by block.</summary>
    public IReadOnlyList<(long Frame, float Db)> Trace => factory.Trace;

    /// <returns>What brings the listening point to two lanes; null where nothing sounds there.</returns>
    public LinkMixer? ToOutput() => _blocks.TryGetValue(heard.Listened, out var block)
        ? new(block, 1, Spread(heard.Listened), 0, null, MovingSpread(heard.Listened, heard.LatenessOf(heard.Listened)))
        : null;

    /// <returns>Where a stem is taken: what goes on as it enters what it feeds, spread and waiting as there; what comes in on one lane stays on one.</returns>
    public StemTap ToStem(Stem stem)
    {
        var (stage, lanes) = (heard.StageOf(stem), stem.Lanes(heard.Graph.Template));
        var block = _blocks.GetValueOrDefault(stage);
        var onward = heard.Graph.Links.Where(l => l.From == stage && l.Kind == LinkKind.Destination).Select(l => (Link?)l).FirstOrDefault();
        var padding = onward is { } link ? heard.Entering(link.To).First(x => x.Link == link).Padding : 0;
        var arrives = heard.LatenessOf(stage) + padding;
        return new(block, block is null || lanes == 1 ? null : new(block, 1, Spread(stage), padding, null, MovingSpread(stage, arrives)), lanes, arrives);
    }

    /// <summary>The strip of a sum once more, for one stem by itself.</summary>
    /// <returns>The unit, which works after all others, and where the stem is taken then; null where it goes through none.</returns>
    public (IUnit Unit, StemTap Tap)? Through(Stem stem)
    {
        var stage = heard.StageOf(stem);
        if (stem.Point != StemPoint.AfterFader || stem.Through is not { } sum || !_blocks.TryGetValue(stage, out var block))
            return null;
        var index = heard.Graph.Template.Channels.IndexOf(sum);
        var (input, post) = (heard.Graph.InputOf(index), heard.Graph.PostOf(index));
        if (stage == post || !heard.Upstream(input).Contains(stage))
            return null;
        var (channel, lanes) = (heard.ChannelOf(input), heard.Graph.Template.Channels[index].Format == ChannelFormat.Mono ? 1 : 2);
        var entering = new LinkMixer(block, 1, Spread(stage), heard.LatenessOf(input) - heard.LatenessOf(stage), null, MovingSpread(stage, heard.LatenessOf(input)));
        var fader = factory.Fader(channel, heard.LatenessOf(post));
        var unit = new ChannelUnit(lanes, [entering], [.. channel.Inserts.Select((insert, place) => NewInsert(heard.Graph.InsertOf(index, place), channel, insert, lanes))])
        {
            IsFlipped = channel.PolarityFlipped,
            IsMuted = channel.Muted,
            Post = new(lanes, Pace.StretchFrames),
            Gains = fader.Still,
            MovingGains = fader.Moving,
        };
        return (unit, new(unit.Post, new(unit.Post, 1, Spread(post), 0, null, MovingSpread(post, heard.LatenessOf(post))), 2, heard.LatenessOf(post)));
    }

    /// <summary>The places of a channel at which its signal is taken.</summary>
    /// <returns>By the place in the channel, from its sum on.</returns>
    public IEnumerable<(int Place, SignalBlock Block)> TakenOf(int channel)
    {
        var (input, post) = (heard.Graph.InputOf(channel), heard.Graph.PostOf(channel));
        for (var stage = input; stage <= post; stage++)
            if (_blocks.TryGetValue(stage, out var block))
                yield return (stage - input, block);
    }

    /// <summary>Makes the blocks of a channel whose unit is made elsewhere.</summary>
    public void Open(int channel)
    {
        var lanes = heard.Graph.Template.Channels[channel].Format == ChannelFormat.Mono ? 1 : 2;
        for (var stage = heard.Graph.InputOf(channel); stage <= heard.Graph.PostOf(channel); stage++)
            Taken(stage, lanes);
    }

    public PlayerUnit NewPlayer(int stage)
    {
        var channel = heard.ChannelOf(stage);
        if (channel.Source is InstrumentSource source)
            return NewInstrument(stage, channel, source);
        var block = _playerOutputs[(stage, 1)] = new(2, Pace.StretchFrames);
        // What is laid on a channel is heard; somebody stands in for an input only where nothing is.
        if (channel.Source is InputSource && channel.Starters.Count == 0)
        {
            var performed = factory.Performed(channel);
            return new(frames => performed.Render([block], frames));
        }

        var clips = factory.Clips(channel);
        return new(frames => clips.Render(block, frames));
    }

    private PlayerUnit NewInstrument(int stage, Channel channel, InstrumentSource source)
    {
        var outputs = new SignalBlock?[Math.Max(source.Outputs.Count, 1)];
        foreach (var link in heard.Graph.Links.Where(l => l.From == stage && l.Kind == LinkKind.InstrumentOutput))
        {
            var format = source.Outputs.Count == 0 ? ChannelFormat.Stereo : source.Outputs[link.Output - 1].Format;
            _playerOutputs[(stage, link.Output)] = outputs[link.Output - 1] ??= new(format == ChannelFormat.Mono ? 1 : 2, Pace.StretchFrames);
        }

        var player = factory.Player(channel, source);
        return new(frames => player.Render(outputs, frames));
    }

    public ChannelUnit NewChannel(int input)
    {
        var (channel, index) = (heard.ChannelOf(input), heard.Graph.Stages[input].Channel);
        var lanes = channel.Format == ChannelFormat.Mono ? 1 : 2;
        var strip = channel.Inserts.Select((insert, place) => NewInsert(heard.Graph.InsertOf(index, place), channel, insert, lanes)).ToArray();
        var (pre, post) = (heard.Graph.PreOf(index), heard.Graph.PostOf(index));
        var keyed = Enumerable.Range(0, strip.Length).FirstOrDefault(i => heard.Taken.Contains(heard.Graph.InsertOf(index, i)), -1);
        var fader = factory.Fader(channel, heard.LatenessOf(post));
        return new(lanes, Mixers(input, _ => true), strip)
        {
            IsFlipped = channel.PolarityFlipped,
            IsMuted = channel.Muted,
            Input = Taken(input, lanes),
            Pre = Taken(pre, lanes),
            Post = Taken(post, lanes),
            IsReadAfterFader = heard.IsReadAfterFader(channel.Id),
            Gains = fader.Still,
            MovingGains = fader.Moving,
            MetersFrom = factory.LeadFrames + heard.LatenessOf(post),
            Bridge = factory.Bridge(lanes),
            HeardWithin = keyed < 0 ? null : Within(heard.Graph.InsertOf(index, keyed), keyed, channel.Inserts[keyed], lanes),
        };
    }

    private HeardWithin Within(int stage, int place, Insert insert, int lanes) =>
        new(place, heard.Point, Taken(stage, heard.Point is ListeningPoint.Key or ListeningPoint.Detector ? 2 : lanes)!, heard.OwnLatency(stage))
        {
            HearsItself = insert.Key is not { On: true },
            Cuts = new(insert.Key, heard.Graph.Template.SampleRateHz),
        };

    private InsertAtWork NewInsert(int stage, Channel channel, Insert insert, int lanes)
    {
        var within = heard.Entering(stage).Where(x => x.Link.Kind == LinkKind.Within).Select(x => x.Padding).FirstOrDefault();
        var hasKey = insert.Key is { On: true } && insert.TakesKey();
        return factory.Insert(
            channel, insert, lanes, heard.LatenessOf(stage) - heard.OwnLatency(stage),
            HeldBack.Lanes(lanes, within),
            hasKey ? Mixers(stage, kind => kind == LinkKind.Key) : [],
            hasKey ? new SignalBlock(2, Pace.BlockFrames) : null);
    }

    private SignalBlock? Taken(int stage, int lanes) => heard.Taken.Contains(stage) ? _blocks[stage] = new(lanes, Pace.StretchFrames) : null;

    private LinkMixer[] Mixers(int stage, Func<LinkKind, bool> which) =>
        [.. heard.SoundingInto(stage).Where(x => which(x.Link.Kind)).Select(Mixer)];

    private LinkMixer Mixer((Link Link, int Padding) entering)
    {
        var (link, padding) = entering;
        var from = link.Kind == LinkKind.InstrumentOutput ? _playerOutputs[(link.From, link.Output)] : _blocks[link.From];
        var arrives = heard.LatenessOf(link.From) + padding;
        var level = link.Kind == LinkKind.Send
            ? factory.Send(heard.ChannelOf(link.From), heard.ChannelOf(link.To).Id, link.Level, arrives)
            : new((float)link.Level.Linear, null);
        return link.Kind == LinkKind.Key
            ? new(from, level.Still, new(1, 1), padding)
            : new(from, level.Still, Spread(link.From), padding, level.Moving, MovingSpread(link.From, arrives));
    }

    /// <summary>How a mono signal taken at a stage spreads over two sides; unused by stereo ones.</summary>
    private PanGains Spread(int stage) =>
        PanGains.Mono(heard.Graph.Stages[stage].Kind == StageKind.Post ? factory.Pan(heard.ChannelOf(stage)) : 0, heard.Graph.Template.PanLaw);

    private (MovingGain Left, MovingGain Right)? MovingSpread(int stage, int lateness)
    {
        var channel = heard.ChannelOf(stage);
        return channel.Format == ChannelFormat.Mono && heard.Graph.Stages[stage].Kind == StageKind.Post ? factory.MovingPan(channel, lateness) : null;
    }
}
