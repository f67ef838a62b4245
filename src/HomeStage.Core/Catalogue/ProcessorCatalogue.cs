using System.Collections.Frozen;
using HomeStage.Core.Controls;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Catalogue;

/// <summary>The built-in processors and what each of their controls may be.</summary>
public static class ProcessorCatalogue
{
    public const string Equaliser = "equaliser";
    public const string Compressor = "compressor";
    public const string Limiter = "limiter";
    public const string Delay = "delay";
    public const string Gain = "gain";
    public const string Gate = "gate";
    public const string Image = "image";
    public const string Reverb = "reverb";
    public const string Chorus = "chorus";
    public const string Saturator = "saturator";
    public const string Clipper = "clipper";
    public const string Ducker = "ducker";
    public const string Amplifier = "amplifier";
    public const string PitchCorrection = "pitch-correction";
    public const string Through = "through";

    private const string Laid = "it is laid out before anything plays";

    // As flat as can be, unless somebody wants it to ring.
    private static readonly Parameter Resonance = new("", "", Unit.Quality, 0.5, 10, 0.1, FilterDesign.Butterworth);

    private static readonly Parameter CutSlope = Parameter.Choice("", "", ["12 dB/oct", "24 dB/oct"]);

    public static readonly Sequence<ProcessorKind> All =
    [
        new(Equaliser, "Equaliser", HasKey: false,
        [
            Parameter.Switch("low-cut", "Low cut", on: false),
            new("low-cut-hz", "Low cut at", Unit.Hertz, 20, 2000, 1, 80) { Needs = "low-cut" },
            CutSlope with { Id = "low-cut-slope", Name = "Low cut slope", Needs = "low-cut" },
            Resonance with { Id = "low-cut-q", Name = "Low cut resonance", Needs = "low-cut" },
            new("low-shelf-hz", "Low shelf at", Unit.Hertz, 20, 2000, 1, 120),
            new("low-shelf-db", "Low shelf", Unit.Decibels, -18, 18, 0.1, 0),
            new("bell-1-hz", "First bell at", Unit.Hertz, 20, 20000, 1, 400),
            new("bell-1-db", "First bell", Unit.Decibels, -18, 18, 0.1, 0),
            new("bell-1-q", "First bell width", Unit.Quality, 0.1, 20, 0.1, 1),
            new("bell-2-hz", "Second bell at", Unit.Hertz, 20, 20000, 1, 2500),
            new("bell-2-db", "Second bell", Unit.Decibels, -18, 18, 0.1, 0),
            new("bell-2-q", "Second bell width", Unit.Quality, 0.1, 20, 0.1, 1),
            new("bell-3-hz", "Third bell at", Unit.Hertz, 20, 20000, 1, 5000),
            new("bell-3-db", "Third bell", Unit.Decibels, -18, 18, 0.1, 0),
            new("bell-3-q", "Third bell width", Unit.Quality, 0.1, 20, 0.1, 1),
            Parameter.Switch("notch", "Notch", on: false),
            new("notch-hz", "Notch at", Unit.Hertz, 20, 20000, 1, 1000) { Needs = "notch" },
            new("notch-q", "Notch width", Unit.Quality, 0.5, 50, 0.5, 8) { Needs = "notch" },
            new("high-shelf-hz", "High shelf at", Unit.Hertz, 500, 20000, 10, 8000),
            new("high-shelf-db", "High shelf", Unit.Decibels, -18, 18, 0.1, 0),
            Parameter.Switch("high-cut", "High cut", on: false),
            new("high-cut-hz", "High cut at", Unit.Hertz, 100, 20000, 10, 12000) { Needs = "high-cut" },
            CutSlope with { Id = "high-cut-slope", Name = "High cut slope", Needs = "high-cut" },
            Resonance with { Id = "high-cut-q", Name = "High cut resonance", Needs = "high-cut" },
            Parameter.Choice("part", "Applies to", ["Both sides", "Left", "Right", "Middle", "Sides"]) with { StandsStill = Laid },
            Parameter.Switch("oversampled", "Twice the rate", on: false) with { StandsStill = Laid },
        ])
        { ShortName = "EQ", OwnLatencyFrames = Oversampler.LatencyFrames, LatencySwitch = "oversampled", SharePercent = 0.5 },
        new(Compressor, "Compressor", HasKey: true,
        [
            new("threshold-db", "Threshold", Unit.Decibels, -60, 0, 0.5, -18),
            new("ratio", "Ratio", Unit.Ratio, 1, 20, 0.1, 3),
            new("knee-db", "Knee", Unit.Decibels, 0, 24, 0.5, 6),
            new("attack-ms", "Attack", Unit.Milliseconds, 0.1, 200, 0.1, 10),
            new("hold-ms", "Hold", Unit.Milliseconds, 0, 500, 1, 0),
            new("release-ms", "Release", Unit.Milliseconds, 5, 5000, 1, 120),
            Parameter.Choice("detector", "Detector hears", ["Peaks", "The mean (RMS)"]) with { StandsStill = Laid },
            new("make-up-db", "Make-up", Unit.Decibels, 0, 24, 0.1, 0),
            new("mix-percent", "Mix", Unit.Percent, 0, 100, 1, 100),
        ])
        { ShortName = "Comp", KeyedShortName = "Duck", SharePercent = 0.5 },
        new(Limiter, "Limiter", HasKey: true,
        [
            new("ceiling-db", "Ceiling", Unit.Decibels, -24, 0, 0.1, -1),
            new("input-db", "Input gain", Unit.Decibels, -12, 24, 0.1, 0),
            new("look-ahead-ms", "Look-ahead", Unit.Milliseconds, 0.5, 10, 0.5, 2) { StandsStill = "it says how late the limiter is" },
            new("release-ms", "Release", Unit.Milliseconds, 5, 1000, 1, 80),
        ])
        { ShortName = "Limit", LatencyParameter = "look-ahead-ms", OwnLatencyFrames = PeaksBetween.LatencyFrames, SharePercent = 1.4 },
        new(Delay, "Delay", HasKey: false,
        [
            new("left-quarters", "Left tap", Unit.Quarters, 0.0625, 8, 0.0625, 0.5),
            new("right-quarters", "Right tap", Unit.Quarters, 0.0625, 8, 0.0625, 0.75),
            new("feedback-percent", "Feedback", Unit.Percent, 0, 95, 1, 35),
            new("low-cut-hz", "Loop low cut at", Unit.Hertz, 20, 2000, 1, 150),
            new("high-cut-hz", "Loop high cut at", Unit.Hertz, 500, 20000, 10, 6000),
            new("drive-db", "Loop drive", Unit.Decibels, 0, 24, 0.5, 0),
            Parameter.Switch("ping-pong", "Ping-pong", on: false),
            new("width-percent", "Width", Unit.Percent, 0, 100, 1, 100),
            new("wet-percent", "Wet", Unit.Percent, 0, 100, 1, 100),
        ]) { SharePercent = 0.5 },
        new(Gate, "Gate", HasKey: true,
        [
            new("threshold-db", "Threshold", Unit.Decibels, -80, 0, 0.5, -40),
            new("range-db", "Range", Unit.Decibels, 0, 80, 1, 40),
            new("attack-ms", "Attack", Unit.Milliseconds, 0.05, 50, 0.05, 0.5),
            new("hold-ms", "Hold", Unit.Milliseconds, 0, 1000, 1, 30),
            new("release-ms", "Release", Unit.Milliseconds, 5, 5000, 1, 120),
        ]) { SharePercent = 0.9 },
        new(Image, "Image", HasKey: false,
        [
            new("width-percent", "Width", Unit.Percent, 0, 200, 1, 100),
            new("middle-db", "Middle", Unit.Decibels, -24, 12, 0.1, 0),
            Parameter.Switch("mono-below", "Mono below", on: false),
            new("mono-below-hz", "Mono below at", Unit.Hertz, 20, 500, 1, 120) { Needs = "mono-below" },
            Parameter.Switch("flip-left", "Flip left", on: false),
            Parameter.Switch("flip-right", "Flip right", on: false),
        ]) { SharePercent = 0.3 },
        new(Reverb, "Reverb", HasKey: false,
        [
            new("decay-s", "Decay", Unit.Seconds, 0.1, 20, 0.1, 2),
            new("size-percent", "Size", Unit.Percent, 20, 300, 1, 100) { StandsStill = "the room is built before anything plays" },
            new("damping-hz", "Damping above", Unit.Hertz, 500, 20000, 10, 6000),
            new("pre-delay-quarters", "Pre-delay", Unit.Quarters, 0, 2, 0.0625, 0),
            new("width-percent", "Width", Unit.Percent, 0, 100, 1, 100),
            new("wet-percent", "Wet", Unit.Percent, 0, 100, 1, 100),
        ]) { SharePercent = 0.5 },
        new(Chorus, "Chorus", HasKey: false,
        [
            new("rate-hz", "Rate", Unit.Hertz, 0.05, 5, 0.05, 0.5),
            new("depth-ms", "Depth", Unit.Milliseconds, 0, 10, 0.1, 3),
            new("mix-percent", "Mix", Unit.Percent, 0, 100, 1, 50),
        ]) { SharePercent = 0.4 },
        new(Saturator, "Saturator", HasKey: false,
        [
            new("drive-db", "Drive", Unit.Decibels, 0, 36, 0.5, 6),
            new("output-db", "Output", Unit.Decibels, -36, 12, 0.5, -3),
            new("mix-percent", "Mix", Unit.Percent, 0, 100, 1, 100),
            Parameter.Choice("oversampling", "Works at", ["2 × the rate", "4 × the rate"], 1) with { StandsStill = Laid },
        ])
        { ShortName = "Drive", OwnLatencyFrames = Oversampler.LatencyFrames, SharePercent = 1.5 },
        new(Clipper, "Clipper", HasKey: false,
        [
            new("ceiling-db", "Ceiling", Unit.Decibels, -24, 0, 0.1, -1),
            new("input-db", "Input gain", Unit.Decibels, -12, 24, 0.1, 0),
            Parameter.Choice("oversampling", "Works at", ["2 × the rate", "4 × the rate"], 1) with { StandsStill = Laid },
        ])
        { ShortName = "Clip", OwnLatencyFrames = Oversampler.LatencyFrames, SharePercent = 1.5 },
        new(Ducker, "Ducker by notes", HasKey: false,
        [
            new("depth-db", "Depth", Unit.Decibels, 0, 60, 0.5, 12),
            new("length-quarters", "Length", Unit.Quarters, 0.0625, 16, 0.0625, 1),
        ])
        { ShortName = "Ducker", HasTrigger = true, SharePercent = 0.5 },
        new(Amplifier, "Guitar amplifier", HasKey: false,
        [
            new("drive-db", "Drive", Unit.Decibels, 0, 48, 0.5, 18),
            new("bass-db", "Bass", Unit.Decibels, -12, 12, 0.5, 0),
            new("middle-db", "Middle", Unit.Decibels, -12, 12, 0.5, 0),
            new("treble-db", "Treble", Unit.Decibels, -12, 12, 0.5, 0),
            Parameter.Switch("cabinet", "Cabinet", on: true),
            new("output-db", "Output", Unit.Decibels, -36, 12, 0.5, -6),
        ])
        { ShortName = "Amp", OwnLatencyFrames = Oversampler.LatencyFrames, SharePercent = 1.5 },
        new(PitchCorrection, "Pitch correction", HasKey: false,
        [
            Parameter.Choice("scale", "Notes", ["Of the song's key", "Every semitone"]),
            new("rate-ms", "Rate", Unit.Milliseconds, 1, 500, 1, 40),
            new("amount-percent", "Amount", Unit.Percent, 0, 100, 1, 100),
        ])
        { ShortName = "Tune", OwnLatencyMs = PitchCorrectionProcessor.LatencyMs, SharePercent = 3 },
        new(Gain, "Gain stage", HasKey: false, [new("gain-db", "Gain", Unit.Decibels, -60, 24, 0.1, 0)]) { ShortName = "Gain", SharePercent = 0.2 },
        new(Through, "Nothing: sound passes through", HasKey: false, []) { ShortName = "Through", StandsInOnly = true },
    ];

    public static ProcessorKind? Find(string id) => ById.GetValueOrDefault(id);

    private static FrozenDictionary<string, ProcessorKind> ById { get; } = All.ToFrozenDictionary(p => p.Id, StringComparer.Ordinal);
}
