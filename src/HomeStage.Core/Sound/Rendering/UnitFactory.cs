using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Controls;
using HomeStage.Core.Media;
using HomeStage.Core.Playing;
using HomeStage.Core.Sound.Instruments;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>Makes what the units work with: players, inserts and gains, with everything that moves them.</summary>
internal sealed class UnitFactory(CompiledTemplate compiled, RenderRequest request, RenderRange range, IMediaShelf shelf)
{
    private readonly Template _template = compiled.Template;
    private readonly TimeMap _time = new(compiled.Template.Timeline);
    private readonly NoteRoute _notes = compiled.In(request.Act).Notes;
    private readonly Movement _movement = compiled.Movement;
    private readonly int _rateHz = compiled.Template.SampleRateHz;
    private readonly PlayerFactory _players = new(compiled.Template.PanLaw, compiled.Template.SampleRateHz, shelf);

    /// <summary>Frames before those that are kept.</summary>
    public long LeadFrames => range.LeadFrames(_rateHz);

    private long LengthFrames => LeadFrames + range.Frames(_rateHz);

    /// <summary>What the insert that is listened after took off, block by block; empty for most renders.</summary>
    public List<(long Frame, float Db)> Trace { get; } = [];

    public ClipPlayer Clips(Channel channel) => new(channel, _time, range, shelf, _rateHz);

    public Player Player(Channel channel, InstrumentSource source)
    {
        var kind = InstrumentCatalogue.Find(source.Instrument)!;
        var moved = kind.Parameters.Where(p => _movement.Holds(channel.Id, new InstrumentTarget(p.Id))).ToList();
        // A note takes its settings as they stand when it starts.
        Map<double> SettingsAt(long frame) => Moved(source.Settings, moved, p => _movement.At(channel.Id, new InstrumentTarget(p.Id), p.In(source.Settings), Seconds(frame, 0)));
        return _players.Create(source, Notes(channel), moved.Count == 0 ? null : SettingsAt);
    }

    /// <summary>Someone who stands in for the hardware input of a channel.</summary>
    public Player Performed(Channel channel)
    {
        var performer = Performers.Of(channel);
        return _players.Create(performer, Events(Performers.Notes(_time, _template.Key, performer)));
    }

    /// <param name="lateness">Frames by which what enters the processor is late.</param>
    public InsertAtWork Insert(Channel channel, Insert insert, int lanes, int lateness, HeldBack[] padding, LinkMixer[] keys, SignalBlock? key)
    {
        var kind = insert.Kind();
        InsertTarget Of(Parameter p) => new(insert.Id, p.Id);
        var moved = kind.Parameters.Where(p => p.StandsStill is null && _movement.Holds(channel.Id, Of(p))).ToList();
        var moves = moved.Exists(p => _movement.Moves(channel.Id, Of(p)));
        Map<double> SettingsAt(long frame) => Moved(insert.Settings, moved, p => _movement.At(channel.Id, Of(p), p.In(insert.Settings), Seconds(frame, lateness)));
        var around = new Surroundings(_rateHz, range.TempoBpm) { Key = _template.Key, Moves = moves, Restarts = kind.HasTrigger ? Hits(insert.Trigger ?? NoteTrigger.Plain, lateness) : [] };
        IProcessor processor = insert.IsLiveIn(_template, request.Act)
            ? ProcessorFactory.Create(moved.Count == 0 ? insert : insert with { Settings = SettingsAt(lateness) }, lanes, around)
            : new PassThrough();
        // A device may be later than what stands in for it.
        var rest = insert.IsLiveIn(_template, request.Act) ? insert.HeardLatencyFrames(_rateHz) - insert.OwnLatencyFrames(_rateHz) : 0;
        return new(insert.Id, processor)
        {
            Padding = padding,
            After = HeldBack.Lanes(lanes, rest),
            Keys = keys,
            Key = key,
            Moving = moves ? SettingsAt : null,
            Trace = request.Point is ListeningPoint.AfterInsert && request.Insert == insert.Id && (request.ListenTo ?? _template.Main.Id) == channel.Id ? Trace : null,
            Tempos = processor is IFollowsTempo ? Tempos(lateness) : [],
        };
    }

    public ((float Left, float Right) Still, (MovingGain Left, MovingGain Right)? Moving) Fader(Channel channel, int lateness)
    {
        var (level, pan) = (new LevelTarget(), new PanTarget());
        double Db(double seconds) => _movement.At(channel.Id, level, channel.Level.Value, seconds);
        PanGains At(double seconds)
        {
            var fader = Linear(Db(seconds));
            // A mono channel is panned where it enters something stereo.
            var balance = channel.Format == ChannelFormat.Mono ? new(1, 1) : PanGains.Balance(_movement.At(channel.Id, pan, channel.Pan, seconds), _template.PanLaw);
            return new(fader * balance.Left, fader * balance.Right);
        }

        var still = At(range.StartSeconds);
        var moves = _movement.Moves(channel.Id, level) || (channel.Format == ChannelFormat.Stereo && _movement.Moves(channel.Id, pan));
        return (((float)still.Left, (float)still.Right),
            moves ? (new(f => At(Seconds(f, lateness)).Left, Origin(lateness)), new(f => At(Seconds(f, lateness)).Right, Origin(lateness))) : null);
    }

    public (float Still, MovingGain? Moving) Send(Channel channel, ChannelId to, Decibels level, int lateness)
    {
        var target = new SendTarget(to);
        double At(double seconds) => Linear(_movement.At(channel.Id, target, level.Value, seconds));
        return ((float)At(range.StartSeconds), _movement.Moves(channel.Id, target) ? new(f => At(Seconds(f, lateness)), Origin(lateness)) : null);
    }

    /// <returns>All meters for a channel; null where they are not asked for.</returns>
    public MeterBridge? Bridge(int lanes) => request.MetersInFull ? new(lanes, _rateHz) : null;

    /// <returns>Where the channel is panned at the start.</returns>
    public double Pan(Channel channel) => _movement.At(channel.Id, new PanTarget(), channel.Pan, range.StartSeconds);

    public (MovingGain Left, MovingGain Right)? MovingPan(Channel channel, int lateness)
    {
        var target = new PanTarget();
        if (!_movement.Moves(channel.Id, target))
            return null;
        PanGains At(long frame) => PanGains.Mono(_movement.At(channel.Id, target, channel.Pan, Seconds(frame, lateness)), _template.PanLaw);
        return (new(f => At(f).Left, Origin(lateness)), new(f => At(f).Right, Origin(lateness)));
    }

    private static Map<double> Moved(Map<double> settings, List<Parameter> moved, Func<Parameter, double> at) =>
        moved.Aggregate(settings, (map, p) => map.With(p.Id, Math.Clamp(at(p), p.Min, p.Max)));

    private static double Linear(double db) => db <= Scales.SilenceDb ? 0 : new Decibels(db).Linear;

    /// <returns>Seconds on the timeline of what a stage hears that late.</returns>
    private double Seconds(long frame, int lateness) => range.StartSeconds + (double)(frame - lateness) / _rateHz;

    /// <returns>The frame at which a stage that is that late hears the start of the timeline.</returns>
    private long Origin(int lateness) => lateness - (long)Math.Round(range.StartSeconds * _rateHz);

    private long Frame(double seconds) => (long)Math.Round((seconds - range.StartSeconds) * _rateHz);

    private List<NoteEvent> Notes(Channel channel) =>
        Events(_notes.Of(channel).Select(n => (n.StartSeconds, n.EndSeconds, n.Number, n.Velocity)));

    private List<NoteEvent> Events(IEnumerable<(double Start, double End, int Number, int Velocity)> notes) =>
        [.. notes
            .Select(n => (Start: Frame(n.Start), End: Frame(n.End), n.Number, n.Velocity))
            .Where(n => n.Start >= 0 && n.Start < LengthFrames)
            .Select((n, i) => new NoteEvent(n.Start, Math.Max(n.Start + 1, n.End), n.Number, n.Velocity, i))];

    private List<(long Frame, double Bpm)> Tempos(int lateness)
    {
        var changes = _time.Sections.Zip(_time.Sections.Skip(1)).Where(x => x.First.TempoBpm != x.Second.TempoBpm).Select(x => x.Second);
        return [.. changes.Select(s => (Frame: Frame(s.StartSeconds) + lateness, s.TempoBpm)).Where(x => x.Frame > lateness && x.Frame < LengthFrames + lateness)];
    }

    private List<long> Hits(NoteTrigger trigger, int lateness) =>
        [.. Restarts.Of(_template, _notes, _time, trigger, request.PlayedLive ? DuckerLaw.GlideMs / 1000 : 0).Select(s => Frame(s) + lateness).Distinct().Order()];
}
