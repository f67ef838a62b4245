using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>The built-in processors and what each of their controls may be.</summary>
public static class ProcessorCatalogue
{
    public const string Equaliser = "equaliser";
    public const string Compressor = "compressor";
    public const string Limiter = "limiter";
    public const string Delay = "delay";
    public const string Gain = "gain";

    public static readonly Sequence<ProcessorKind> All =
    [
        new(Equaliser, "Equaliser", HasKey: false,
        [
            Parameter.Switch("low-cut", "Low cut", on: false),
            new("low-cut-hz", "Low cut at", Unit.Hertz, 20, 2000, 1, 80),
            new("low-shelf-hz", "Low shelf at", Unit.Hertz, 20, 2000, 1, 120),
            new("low-shelf-db", "Low shelf", Unit.Decibels, -18, 18, 0.1, 0),
            new("bell-1-hz", "First bell at", Unit.Hertz, 20, 20000, 1, 400),
            new("bell-1-db", "First bell", Unit.Decibels, -18, 18, 0.1, 0),
            new("bell-1-q", "First bell width", Unit.Quality, 0.1, 20, 0.1, 1),
            new("bell-2-hz", "Second bell at", Unit.Hertz, 20, 20000, 1, 2500),
            new("bell-2-db", "Second bell", Unit.Decibels, -18, 18, 0.1, 0),
            new("bell-2-q", "Second bell width", Unit.Quality, 0.1, 20, 0.1, 1),
            new("high-shelf-hz", "High shelf at", Unit.Hertz, 500, 20000, 10, 8000),
            new("high-shelf-db", "High shelf", Unit.Decibels, -18, 18, 0.1, 0),
            Parameter.Switch("high-cut", "High cut", on: false),
            new("high-cut-hz", "High cut at", Unit.Hertz, 500, 20000, 10, 12000),
        ]),
        new(Compressor, "Compressor", HasKey: true,
        [
            new("threshold-db", "Threshold", Unit.Decibels, -60, 0, 0.5, -18),
            new("ratio", "Ratio", Unit.Ratio, 1, 20, 0.1, 3),
            new("knee-db", "Knee", Unit.Decibels, 0, 24, 0.5, 6),
            new("attack-ms", "Attack", Unit.Milliseconds, 0.1, 200, 0.1, 10),
            new("release-ms", "Release", Unit.Milliseconds, 5, 2000, 1, 120),
            new("make-up-db", "Make-up", Unit.Decibels, 0, 24, 0.1, 0),
            new("mix-percent", "Mix", Unit.Percent, 0, 100, 1, 100),
        ]),
        new(Limiter, "Limiter", HasKey: false,
        [
            new("ceiling-db", "Ceiling", Unit.Decibels, -24, 0, 0.1, -1),
            new("input-db", "Input gain", Unit.Decibels, -12, 24, 0.1, 0),
            new("look-ahead-ms", "Look-ahead", Unit.Milliseconds, 0.5, 10, 0.5, 2),
            new("release-ms", "Release", Unit.Milliseconds, 5, 1000, 1, 80),
        ])
        { LatencyParameter = "look-ahead-ms" },
        new(Delay, "Delay", HasKey: false,
        [
            new("left-quarters", "Left tap", Unit.Quarters, 0.0625, 8, 0.0625, 0.5),
            new("right-quarters", "Right tap", Unit.Quarters, 0.0625, 8, 0.0625, 0.75),
            new("feedback-percent", "Feedback", Unit.Percent, 0, 95, 1, 35),
            new("low-cut-hz", "Loop low cut at", Unit.Hertz, 20, 2000, 1, 150),
            new("high-cut-hz", "Loop high cut at", Unit.Hertz, 500, 20000, 10, 6000),
            new("wet-percent", "Wet", Unit.Percent, 0, 100, 1, 100),
        ]),
        new(Gain, "Gain stage", HasKey: false, [new("gain-db", "Gain", Unit.Decibels, -60, 24, 0.1, 0)]),
    ];

    public static ProcessorKind? Find(string id) => All.FirstOrDefault(p => p.Id == id);
}
