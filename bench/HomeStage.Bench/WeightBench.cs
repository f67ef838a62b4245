using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Bench;

/// <summary>What each stand-in takes of one core, which the catalogue states as its share.</summary>
internal static class WeightBench
{
    private const int Runs = 5;
    private const int Seconds = 20;
    private const int RateHz = 48000;
    private const int Block = 256;

    public static void Run()
    {
        foreach (var kind in ProcessorCatalogue.All)
        {
            var processor = ProcessorFactory.Create(new(new("x"), kind.Id) { Settings = AllAtWork(kind) }, 2, new(RateHz, 120));
            var (signal, noise) = (new SignalBlock(2, Block), new Random(1));
            var seconds = Medians.Seconds(Runs, () =>
            {
                for (var frame = 0; frame < Seconds * RateHz; frame += Block)
                {
                    foreach (var lane in new[] { 0, 1 })
                        foreach (ref var sample in signal.Lane(lane, Block))
                            sample = noise.NextSingle() - 0.5f;
                    processor.Process(signal, null, Block);
                }
            });
            Medians.Say($"{kind.Id}: {100 * seconds / Seconds:0.00} % of a core in stereo");
        }

        foreach (var kind in InstrumentCatalogue.All)
        {
            var template = Busy(kind);
            var seconds = Medians.Seconds(Runs, () => Renderer.Render(template, new("write", new("it"))));
            Medians.Say($"{kind.Id}: {100 * seconds / Seconds:0.00} % of a core, playing eighths at 120");
        }
    }

    /// <summary>Every switch on and every gain turned, so that nothing is left out.</summary>
    private static Map<double> AllAtWork(ProcessorKind kind) => Map<double>.From(kind.Parameters
        .Where(p => p.Unit is Unit.Switch or Unit.Decibels && p.Default == 0)
        .Select(p => KeyValuePair.Create(p.Id, p.Unit == Unit.Switch ? 1.0 : Math.Clamp(3, p.Min, p.Max))));

    private static Template Busy(InstrumentKind kind)
    {
        var notes = Enumerable.Range(0, 8).Select(i => new Note(480 * i, 480, kind.Kit is { } kit ? kit.Pieces[i % kit.Pieces.Count].Note : 48 + i, 100)).ToSequence();
        var channel = new Channel { Id = new("it"), Name = kind.Name, Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(kind.Id, kind.Kit), Patterns = [new("Busy", 3840, notes, [])] };
        var empty = EmptyStage.Create("Busy") with { Timeline = new(120, new(4, 4), [new("song", "Song", Seconds / 2)]) };
        return ((BatchResult.Applied)Batch.Apply(empty, [new AddChannel(channel)])).Template;
    }
}
