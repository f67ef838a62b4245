using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound;

/// <summary>What follows a curve comes to sound as if it had been made so: held against a processor that was.</summary>
public class RetuneTests
{
    private const int Rate = 48000;
    private const int Frames = 20000;

    // −80 dB of full scale.
    private const float Alike = 1e-4f;

    // What was heard before goes on in these for longer than the test, or at another phase.
    private static readonly HashSet<string> Long = new(StringComparer.Ordinal) { "decay-s", "pre-delay-quarters", "feedback-percent", "rate-hz", "damping-hz", "amount-percent", "rate-ms", "scale", "left-quarters", "right-quarters", "ping-pong" };

    public static TheoryData<string, string> Movable()
    {
        var cases = new TheoryData<string, string>();
        foreach (var kind in ProcessorCatalogue.All)
            foreach (var parameter in kind.Parameters.Where(p => p.StandsStill is null))
                cases.Add(kind.Id, parameter.Id);
        return cases;
    }

    [Theory]
    [MemberData(nameof(Movable))]
    public void TurnedBeforeItPlays_ItSoundsAsMadeSo(string id, string parameter)
    {
        var isHeard = false;
        foreach (var settings in Bases(id, parameter))
        {
            var turned = settings.With(parameter, Other(id, parameter, settings));
            var (as1, as2) = (Run(Create(id, settings), id), Run(Create(id, turned), id));
            isHeard |= Apart(as1, as2, 0) > 10 * Alike;

            var processor = Create(id, settings);
            processor.Retune(turned);

            Assert.True(Apart(as2, Run(processor, id), 0) < Alike);
        }

        Assert.True(isHeard, $"Nothing that the test plays shows what {parameter} does.");
    }

    public static TheoryData<string, string> SoonForgotten() => [.. Movable().Where(c => !Long.Contains(c.Data.Item2))];

    [Theory]
    [MemberData(nameof(SoonForgotten))]
    public void TurnedWhileItPlays_ItComesToSoundAsMadeSo(string id, string parameter)
    {
        foreach (var settings in Bases(id, parameter))
        {
            var turned = settings.With(parameter, Other(id, parameter, settings));
            var (processor, other) = (Create(id, settings), Create(id, turned));
            Run(processor, id);
            Run(other, id);
            processor.Retune(turned);
            for (var i = 0; i < 4; i++)
                (_, _) = (Run(processor, id), Run(other, id));

            Assert.True(Apart(Run(processor, id), Run(other, id), 0) < 10 * Alike);
        }
    }

    /// <returns>Everything at rest but what the parameter needs, and everything at work.</returns>
    private static IEnumerable<Map<double>> Bases(string id, string parameter)
    {
        var all = ProcessorCatalogue.Find(id)!.Parameters;
        var needs = all.First(p => p.Id == parameter).Needs;
        yield return needs is null ? Map<double>.Empty : Map<double>.Empty.With(needs, 1);
        var busy = all.Where(p => p.Unit == Unit.Switch && p.StandsStill is null && p.Id is not ("flip-left" or "flip-right")).Aggregate(Map<double>.Empty, (map, p) => map.With(p.Id, 1));
        if (id == ProcessorCatalogue.Equaliser)
            busy = all.Where(p => p.Unit == Unit.Decibels).Aggregate(busy, (map, p) => map.With(p.Id, 6));
        if (id is ProcessorCatalogue.Compressor)
            busy = busy.With("hold-ms", 20).With("threshold-db", -30);
        yield return busy;
    }

    /// <returns>The end that lies farther from what it is, unless it would ring for minutes.</returns>
    private static double Other(string id, string parameter, Map<double> settings)
    {
        var p = ProcessorCatalogue.Find(id)!.Find(parameter)!;
        var now = p.In(settings);
        return p.Max - now >= now - p.Min ? p.Max : p.Min;
    }

    private static IProcessor Create(string id, Map<double> settings) =>
        ProcessorFactory.Create(new(new("x"), id) { Settings = settings }, 2, new(Rate, 240) { Moves = true, Key = MusicalKey.All.First(k => k.ToString().Contains("C major", StringComparison.Ordinal)), Restarts = [0, 3000, 9000] });

    private static float Apart(float[] one, float[] other, int from) => Enumerable.Range(from, one.Length - from).Max(i => Math.Abs(one[i] - other[i]));

    /// <summary>Bursts of noise, louder on the left; for what follows a pitch, a voice between two notes.</summary>
    private static float[] Run(IProcessor processor, string id)
    {
        var random = new Random(5);
        var block = new SignalBlock(2, Frames);
        for (var i = 0; i < Frames; i++)
        {
            var burst = i % 6000 < 4000 ? 0.6f : 0.001f;
            var saw = (float)(2 * (i * 209.0 / Rate % 1) - 1) * 0.5f;
            block.Lane(0, Frames)[i] = id == ProcessorCatalogue.PitchCorrection ? saw : burst * ((float)random.NextDouble() * 2 - 1);
            block.Lane(1, Frames)[i] = id == ProcessorCatalogue.PitchCorrection ? saw : burst * ((float)random.NextDouble() - 0.5f);
        }

        processor.Process(block, null, Frames);
        return [.. block.Lane(0, Frames), .. block.Lane(1, Frames)];
    }
}
