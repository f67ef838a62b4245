using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Ducking;

/// <summary>Runs the compressor itself on a key signal.</summary>
public static class Detection
{
    private const int Stretch = 4096;

    /// <param name="settings">Of a compressor. Its make-up is left out: it is no part of what gives way.</param>
    /// <param name="key">The insert's key input, for its cuts.</param>
    /// <param name="from">First frame of the signal that is run; the detector begins at rest.</param>
    /// <param name="to">Frame after the last.</param>
    /// <returns>What is taken off at each frame, in dB.</returns>
    public static float[] Run(Map<double> settings, KeyInput? key, KeySignal signal, int from, int to)
    {
        var processor = new CompressorProcessor(settings.Without("make-up-db"), key, signal.SampleRateHz);
        var (heard, through) = (new SignalBlock(2, Stretch), new SignalBlock(1, Stretch));
        var reduction = new float[to - from];
        for (var start = from; start < to; start += Stretch)
        {
            var frames = Math.Min(Stretch, to - start);
            signal.Left.AsSpan(start, frames).CopyTo(heard.Lane(0, frames));
            signal.Right.AsSpan(start, frames).CopyTo(heard.Lane(1, frames));
            through.Lane(0, frames).Fill(1);
            processor.Process(through, heard, frames);
            var gains = through.Lane(0, frames);
            for (var i = 0; i < frames; i++)
                reduction[start - from + i] = gains[i] >= 1 ? 0 : -20 * MathF.Log10(gains[i]);
        }

        return reduction;
    }

    /// <summary>What the whole of a key signal makes a compressor do.</summary>
    public static DuckingReading Read(Map<double> settings, KeyInput? key, KeySignal signal) =>
        DuckingReading.Of(Run(settings, key, signal, 0, signal.Left.Length), signal.Hits, signal.SampleRateHz);
}
