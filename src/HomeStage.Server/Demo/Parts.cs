using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Server.Demo;

/// <summary>Short ways to say the edits that the demo templates are built with.</summary>
internal static class Parts
{
    public static ChannelId Id(string id) => new(id);

    public static AddChannel Bus(string id, string name, string feeds, double? hue = null, double level = 0, params Insert[] strip) => new(new()
    {
        Id = Id(id),
        Name = name,
        Kind = ChannelKind.Bus,
        Destination = Id(feeds),
        HueDegrees = hue,
        Level = new(level),
        Inserts = strip.ToSequence(),
    });

    public static AddChannel Player(string id, string name, string feeds, string instrument, double level, double pan, Kit? kit, Pattern[] starters, params Insert[] strip) => new(new()
    {
        Id = Id(id),
        Name = name,
        Kind = ChannelKind.Instrument,
        Destination = Id(feeds),
        Level = new(level),
        Pan = pan,
        Source = new InstrumentSource(instrument, kit),
        Patterns = starters.OrderBy(p => p.Name, StringComparer.Ordinal).ToSequence(),
        Inserts = strip.ToSequence(),
    });

    public static AddChannel Split(string id, string name, string feeds, string player, int output, double level, ChannelFormat format, params Insert[] strip) => new(new()
    {
        Id = Id(id),
        Name = name,
        Kind = ChannelKind.Split,
        Destination = Id(feeds),
        Level = new(level),
        Format = format,
        Source = new OutputSource(Id(player), output),
        Inserts = strip.ToSequence(),
    });

    public static AddChannel Voice(string id, string name, string feeds, int input, double level, double pan, params Insert[] strip) => new(new()
    {
        Id = Id(id),
        Name = name,
        Kind = ChannelKind.Audio,
        Destination = Id(feeds),
        Level = new(level),
        Pan = pan,
        Format = ChannelFormat.Mono,
        Source = new InputSource(input, Monitored: true),
        Inserts = strip.ToSequence(),
    });

    public static AddChannel Return(string id, string name, string feeds, double hue, double level, params Insert[] strip) => new(new()
    {
        Id = Id(id),
        Name = name,
        Kind = ChannelKind.Return,
        Destination = Id(feeds),
        HueDegrees = hue,
        Level = new(level),
        Inserts = strip.ToSequence(),
    });

    public static AddChannel Trigger(string id, string name, Pattern hits) => new(new()
    {
        Id = Id(id),
        Name = name,
        Kind = ChannelKind.Trigger,
        Format = ChannelFormat.Mono,
        Patterns = [hits],
        Source = new InstrumentSource(InstrumentCatalogue.KeyTone),
    });

    public static AddChannel CountIn(Pattern ticks) => new(new()
    {
        Id = Id("count-in"),
        Name = "Count-in",
        Kind = ChannelKind.Direct,
        OutputPair = 1,
        Level = new(-12),
        Patterns = [ticks],
        Source = new InstrumentSource(InstrumentCatalogue.CountInTick),
    });

    public static PutSend Send(string from, string to, double level, bool open = true) => new(Id(from), new(Id(to), new(level), Open: open));

    public static PutFeed Feed(string from, string to, string insert) => new(Id(from), new(Id(to), new(insert), new(0)));

    /// <summary>Inserts in the place of those that the default strip has.</summary>
    public static LayStrip Strip(string id, params Insert[] inserts) => new([Id(id)], new Strip { Inserts = inserts.ToSequence() });

    public static SetNote Note(string channel, string text) => new(Id(channel), text);

    public static Insert Equaliser(params (string Parameter, double Value)[] settings) => Make("eq", ProcessorCatalogue.Equaliser, settings);

    public static Insert Compressor(double thresholdDb, double ratio, params (string Parameter, double Value)[] settings) =>
        Make("comp", ProcessorCatalogue.Compressor, [("threshold-db", thresholdDb), ("ratio", ratio), .. settings]);

    /// <summary>A compressor that listens to a key only.</summary>
    public static Insert Ducker(double thresholdDb, double ratio, double releaseMs) =>
        Make("duck", ProcessorCatalogue.Compressor,
            [("threshold-db", thresholdDb), ("ratio", ratio), ("knee-db", 0), ("attack-ms", 1), ("release-ms", releaseMs)]) with
        { Key = new(On: true) };

    public static Insert Delay(double leftQuarters, double rightQuarters, double feedbackPercent, double highCutHz) =>
        Make("delay", ProcessorCatalogue.Delay,
            [("left-quarters", leftQuarters), ("right-quarters", rightQuarters), ("feedback-percent", feedbackPercent), ("high-cut-hz", highCutHz)]);

    public static Insert Amplifier(double driveDb) => Make("amp", ProcessorCatalogue.Amplifier, [("drive-db", driveDb)]);

    public static Insert Limiter(double inputDb, double ceilingDb) =>
        Make("limit", ProcessorCatalogue.Limiter, [("input-db", inputDb), ("ceiling-db", ceilingDb)]);

    public static Insert Gain(double gainDb) => Make("gain", ProcessorCatalogue.Gain, [("gain-db", gainDb)]);

    /// <summary>The gain stage that is automated in place of the fader.</summary>
    public static Insert Kept() => Make("kept", ProcessorCatalogue.Gain, []) with { KeptForAutomation = true };

    public static Insert Narrow(double hz) => Make("image", ProcessorCatalogue.Image, [("mono-below", 1), ("mono-below-hz", hz)]);

    /// <summary>A curve over a section.</summary>
    public static PutShape Over(string channel, Target target, string section, params ReadOnlySpan<(double Place, double Value)> points)
    {
        var drawn = new List<ShapePoint>();
        foreach (var (place, value) in points)
            drawn.Add(new(place, value));
        return new(Id(channel), new(target, section, drawn.ToSequence()));
    }

    private static Insert Make(string id, string processor, (string Parameter, double Value)[] settings) => new(new(id), processor)
    {
        Settings = Map<double>.From(settings.Select(s => KeyValuePair.Create(s.Parameter, s.Value))),
    };
}
