using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound.Kernels;

/// <summary>Eight lanes in lockstep against the processors that work alone, whose laws are tested against published ones.</summary>
public class LockstepTests
{
    private const int Frames = 5000;
    private static readonly int[] Sizes = [256, 1, 37, 256, 250, 8];

    [Fact]
    public void EightLanes_AreTurnedAndTurnedBack()
    {
        var lanes = Noise();
        var turned = new EightLanes(Frames);
        turned.Lay(lanes, Frames);

        for (var t = 0; t < Frames; t += 501)
            for (var lane = 0; lane < 8; lane++)
                Assert.Equal(lanes[lane][t], System.Runtime.CompilerServices.Unsafe.Add(ref turned.First, 8 * t + lane));
        var back = Empty();
        turned.Take(back, Frames);
        Assert.All(lanes.Zip(back), x => Assert.Equal(x.First[..Frames], x.Second[..Frames]));
    }

    [Fact]
    public void Equalisers_InLockstep_GiveTheSamplesThatTheyGiveAlone()
    {
        var settings = Enumerable.Range(0, 8).Select(i => Map<double>.From(
        [
            KeyValuePair.Create("low-cut", i % 2.0), KeyValuePair.Create("low-shelf-db", i - 3.0), KeyValuePair.Create("bell-1-db", i % 3 - 1.0),
            KeyValuePair.Create("bell-2-hz", 500.0 * (i + 1)), KeyValuePair.Create("bell-2-db", 2.5 - i), KeyValuePair.Create("high-cut", i / 4.0 >= 1 ? 1.0 : 0),
        ])).ToArray();
        var alone = settings.Select(s => new EqualiserProcessor(s, 1, Signals.Rate)).ToArray();
        var together = new LockstepBands([.. alone.Select(p => p.Plain!)]);

        AssertAlike(together.Process, [.. alone.Cast<IProcessor>()], lanes: 1);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void Compressors_InLockstep_GiveTheSamplesThatTheyGiveAlone(int lanes)
    {
        var alone = Enumerable.Range(0, 8 / lanes).Select(i => new CompressorProcessor(Map<double>.From(
        [
            KeyValuePair.Create("threshold-db", -40.0 + 5 * i), KeyValuePair.Create("ratio", 1.5 + i), KeyValuePair.Create("knee-db", 3.0 * i),
            KeyValuePair.Create("attack-ms", 0.5 + 3 * i), KeyValuePair.Create("make-up-db", 1.0 * i), KeyValuePair.Create("mix-percent", 100.0 - 10 * i),
        ]), null, Signals.Rate)).ToArray();
        var together = new LockstepCompressor([.. alone.SelectMany(p => Enumerable.Repeat(p.Plain!.Value, lanes))], pairs: lanes == 2);

        var largest = AssertAlike(together.Process, [.. alone.Cast<IProcessor>()], lanes);

        for (var i = 0; i < alone.Length; i++)
            Assert.Equal(largest[i], together.LargestReductionDb(i * lanes));
        Assert.Contains(largest, db => db > 6);
    }

    [Fact]
    public void WhatCannotRunInLockstep_SaysSo()
    {
        CompressorProcessor Compressor(string id, double value) => new(Map<double>.Empty.With(id, value), null, Signals.Rate);
        EqualiserProcessor Equaliser(string id, double value) => new(Map<double>.Empty.With(id, value), 2, Signals.Rate);

        Assert.Null(Compressor("detector", 1).Plain);
        Assert.Null(Compressor("hold-ms", 10).Plain);
        Assert.Null(Compressor("attack-ms", 200).Plain);
        Assert.Null(Equaliser("oversampled", 1).Plain);
        Assert.Null(Equaliser("part", 3).Plain);
        Assert.Throws<ArgumentException>(() => new LockstepBands([]));
        Assert.Throws<ArgumentException>(() => new LockstepCompressor([CompressorLane.Idle], pairs: false));
    }

    /// <summary>Runs both in blocks of many sizes.</summary>
    /// <returns>What each took off at most, where it takes off.</returns>
    private static float[] AssertAlike(Action<EightLanes, int> together, IProcessor[] alone, int lanes)
    {
        var (input, turned) = (Noise(), new EightLanes(256));
        var largest = new float[alone.Length];
        for (int done = 0, turn = 0; done < Frames; turn++)
        {
            var frames = Math.Min(Sizes[turn % Sizes.Length], Frames - done);
            var block = input.Select(l => Padded(l[done..(done + frames)])).ToArray();
            turned.Lay(block, frames);
            together(turned, frames);
            var heard = Empty();
            turned.Take(heard, frames);
            for (var i = 0; i < alone.Length; i++)
            {
                var signal = new SignalBlock(lanes, frames);
                for (var lane = 0; lane < lanes; lane++)
                    block[i * lanes + lane].AsSpan(0, frames).CopyTo(signal.Lane(lane, frames));
                alone[i].Process(signal, null, frames);
                for (var lane = 0; lane < lanes; lane++)
                    Assert.Equal(signal.Lane(lane, frames).ToArray(), heard[i * lanes + lane][..frames]);
                largest[i] = Math.Max(largest[i], (alone[i] as IReducesGain)?.LargestReductionDb ?? 0);
            }

            done += frames;
        }

        return largest;
    }

    /// <summary>Bursts, so that compressors rest in between.</summary>
    private static float[][] Noise() =>
        [.. Enumerable.Range(0, 8).Select(i => Padded([.. Signals.Noise(Frames, i).Select((x, t) => t / 1500 % 2 == 0 ? x : 1e-5f * x)]))];

    private static float[][] Empty() => [.. Enumerable.Range(0, 8).Select(_ => new float[Frames + 8])];

    private static float[] Padded(float[] lane) => [.. lane, .. new float[8]];
}
