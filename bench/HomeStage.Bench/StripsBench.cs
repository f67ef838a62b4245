using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Bench;

/// <summary>64 channels, each with an equaliser and a compressor, into four buses with a reverb return each: how many times real
/// time, with what the instruments take taken off.</summary>
internal static class StripsBench
{
    private const int Runs = 11;
    private const int Channels = 64;

    public static void Run()
    {
        foreach (var format in new[] { ChannelFormat.Mono, ChannelFormat.Stereo })
        {
            var (bare, full) = (Stage(format, strips: false), Stage(format, strips: true));
            RenderedSound sound = null!;
            var (without, with) = Medians.SecondsInTurn(Runs, () => Renderer.Render(bare, new("mix")), () => sound = Renderer.Render(full, new("mix")));
            Medians.Say($"64 {format.ToString().ToLowerInvariant()} channels with equaliser and compressor, 4 returns: {sound.Seconds / (with - without):0} times real time, {sound.Seconds / with:0} with instruments and meters");
        }
    }

    private static Template Stage(ChannelFormat format, bool strips)
    {
        Insert Equaliser() => new(new("eq"), ProcessorCatalogue.Equaliser)
        { Settings = Map<double>.Empty.With("low-cut", 1).With("low-shelf-db", 2).With("bell-1-db", -3).With("bell-2-db", 2).With("high-shelf-db", 1).With("high-cut", 1) };
        Insert Compressor() => new(new("comp"), ProcessorCatalogue.Compressor) { Settings = Map<double>.Empty.With("threshold-db", -40) };
        var held = new Pattern("Held", 4 * Ticks.PerQuarter, [new(0, 4 * Ticks.PerQuarter, 60, 100)], []);
        var edits = new List<Edit>();
        for (var r = 0; r < 4; r++)
            edits.Add(new AddChannel(new() { Id = new($"r{r}"), Name = $"Return {r}", Kind = ChannelKind.Return, Destination = EmptyStage.MixBus, Inserts = strips ? [new(new("rev"), ProcessorCatalogue.Reverb)] : [] }));
        for (var c = 0; c < Channels; c++)
            edits.Add(new AddChannel(new()
            {
                Id = new($"c{c}"),
                Name = $"Channel {c}",
                Kind = ChannelKind.Instrument,
                Format = format,
                Destination = EmptyStage.MixBus,
                Level = new(-30),
                Source = new InstrumentSource(InstrumentCatalogue.KeyTone) { Settings = Map<double>.Empty.With("tone-hz", 100 + 10 * c) },
                Patterns = [held],
                Inserts = strips ? [Equaliser(), Compressor()] : [],
                Sends = [new(new($"r{c % 4}"), new(-12))],
            }));
        var template = EmptyStage.Create("Strips") with { Timeline = new(120, new(4, 4), [new("song", "Song", 16)]) };
        return ((BatchResult.Applied)Batch.Apply(template, [.. edits])).Template;
    }
}
