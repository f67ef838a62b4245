using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Tests.Sound;

/// <summary>Signals to try things on, and what can be read from the answers.</summary>
internal static class Signals
{
    public const int Rate = 48000;

    public static float[] Sine(double hz, double amplitude, int frames) =>
        [.. Enumerable.Range(0, frames).Select(i => (float)(amplitude * Math.Sin(2 * Math.PI * hz * i / Rate)))];

    public static float[] Impulse(int frames) => [1, .. new float[frames - 1]];

    /// <summary>White noise made pink by P. Kellet's filter of 1999 (coefficients from memory), whose octaves have the same
    /// power within a tenth of a decibel above 10 Hz at 44.1 kHz.</summary>
    public static float[] PinkOf(float[] noise)
    {
        double[] pole = [0.99886, 0.99332, 0.96900, 0.86650, 0.55000, -0.7616], feed = [0.0555179, 0.0750759, 0.1538520, 0.3104856, 0.5329522, -0.0168980];
        var (state, late) = (new double[pole.Length], 0.0);
        return [.. noise.Select(white =>
        {
            var pink = late + 0.5362 * white;
            for (var i = 0; i < pole.Length; i++)
                pink += state[i] = pole[i] * state[i] + feed[i] * white;
            late = 0.115926 * white;
            return (float)(0.1 * pink);
        })];
    }

    public static float[] Noise(int frames, int seed = 1)
    {
        var random = new Random(seed);
        return [.. Enumerable.Range(0, frames).Select(_ => (float)(random.NextDouble() * 2 - 1))];
    }

    /// <summary>One lane through a processor, in blocks of 256.</summary>
    public static float[] Through(IProcessor processor, float[] samples, float[]? key = null) => Through(processor, [samples], key)[0];

    /// <summary>Lanes through a processor, in blocks of 256.</summary>
    public static float[][] Through(IProcessor processor, float[][] lanes, float[]? key = null)
    {
        const int Block = 256;
        var output = lanes.Select(l => new float[l.Length]).ToArray();
        var (block, keyBlock) = (new SignalBlock(lanes.Length, Block), new SignalBlock(2, Block));
        for (var start = 0; start < lanes[0].Length; start += Block)
        {
            var frames = Math.Min(Block, lanes[0].Length - start);
            for (var lane = 0; lane < lanes.Length; lane++)
                lanes[lane].AsSpan(start, frames).CopyTo(block.Lane(lane, frames));
            if (key is not null)
                for (var lane = 0; lane < 2; lane++)
                    key.AsSpan(start, frames).CopyTo(keyBlock.Lane(lane, frames));
            processor.Process(block, key is null ? null : keyBlock, frames);
            for (var lane = 0; lane < lanes.Length; lane++)
                block.Lane(lane, frames).CopyTo(output[lane].AsSpan(start));
        }

        return output;
    }

    /// <summary>Amplitude of one frequency over the samples, by correlation; exact where whole waves fit in.</summary>
    public static double Amplitude(ReadOnlySpan<float> samples, double hz)
    {
        var (re, im) = (0.0, 0.0);
        for (var i = 0; i < samples.Length; i++)
        {
            re += samples[i] * Math.Cos(2 * Math.PI * hz * i / Rate);
            im += samples[i] * Math.Sin(2 * Math.PI * hz * i / Rate);
        }

        return 2 * Math.Sqrt(re * re + im * im) / samples.Length;
    }

    public static double Db(double ratio) => 20 * Math.Log10(ratio);
}
