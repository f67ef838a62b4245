using System.Numerics.Tensors;

namespace HomeStage.Core.Sound.Meters;

/// <summary>The largest value that the sound takes between its samples, on any lane.</summary>
/// <remarks>ITU-R BS.1770-5, Annex 2: four times as many samples, then the largest magnitude. The interpolating filter is a
/// design of our own, a sinc of 24 samples under a Kaiser window (β = 7), not the table of the annex; it errs by less than
/// 0.01 dB up to 0.45 of the sample rate. One sample of four is the sound's own.</remarks>
public sealed class TruePeakMeter
{
    private const int Taps = 24;
    private const int Before = Taps / 2 - 1;
    private const double Beta = 7;
    private static readonly float[][] Phases = [.. new[] { 0.25, 0.5, 0.75 }.Select(Phase)];

    private readonly float[][] _recent;
    private readonly float[] _stretch = new float[Stretch + Taps - 1];
    private readonly float[] _between = new float[Stretch];
    private const int Stretch = 1024;
    private float _peak;

    /// <param name="lanes">1 or 2.</param>
    public TruePeakMeter(int lanes) => _recent = [.. Enumerable.Range(0, lanes).Select(_ => new float[Taps - 1])];

    /// <summary>dBTP; null while everything was silent. What comes after the last 12 samples is not known yet.</summary>
    public double? TruePeakDbtp => _peak > 0 ? 20 * Math.Log10(_peak) : null;

    public void Add(SignalBlock block, int frames)
    {
        for (var lane = 0; lane < _recent.Length; lane++)
            for (var start = 0; start < frames; start += Stretch)
                AddStretch(_recent[lane], block.Lane(lane, frames).Slice(start, Math.Min(Stretch, frames - start)));
    }

    /// <summary>Lets the last samples through: the sound is over and silence follows.</summary>
    public void End()
    {
        foreach (var recent in _recent)
            AddStretch(recent, new float[Taps - 1]);
    }

    private void AddStretch(float[] recent, ReadOnlySpan<float> samples)
    {
        recent.CopyTo(_stretch.AsSpan());
        samples.CopyTo(_stretch.AsSpan(Taps - 1));
        _peak = Math.Max(_peak, Math.Abs(TensorPrimitives.MaxMagnitude(samples)));
        var between = _between.AsSpan(0, samples.Length);
        foreach (var phase in Phases)
        {
            between.Clear();
            // Tap by tap over the whole stretch, so that the processor works on many samples at once.
            for (var tap = 0; tap < Taps; tap++)
                TensorPrimitives.MultiplyAdd(_stretch.AsSpan(tap, samples.Length), phase[tap], between, between);
            _peak = Math.Max(_peak, Math.Abs(TensorPrimitives.MaxMagnitude<float>(between)));
        }

        _stretch.AsSpan(samples.Length, Taps - 1).CopyTo(recent);
    }

    private static float[] Phase(double share)
    {
        var taps = Enumerable.Range(0, Taps).Select(i => Windowed(i - Before - share)).ToArray();
        // At rest the interpolated sound is as loud as its samples.
        var sum = taps.Sum();
        return [.. taps.Select(t => (float)(t / sum))];
    }

    private static double Windowed(double x) => Sinc(x) * Kaiser.At(x / (Taps / 2.0), Beta);

    private static double Sinc(double x) => Math.Abs(x) < 1e-12 ? 1 : Math.Sin(Math.PI * x) / (Math.PI * x);
}
