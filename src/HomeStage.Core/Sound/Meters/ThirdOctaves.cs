using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Meters;

/// <summary>The mean spectrum of a stereo sound in third-octave bands.</summary>
/// <remarks>Centres and edges by IEC 61260-1, base ten: 1,000·10^(k/10) Hz and a factor of 10^(±1/20) from there. The power of
/// each line of a Hann-windowed transform of 16,384 frames goes to the bands that it reaches into, by the share of its width.</remarks>
public sealed class ThirdOctaves
{
    private const int Length = 16384;
    private const int First = -16;
    private const int Last = 13;
    private const double SmallestPower = 1e-14;

    private readonly Transform _transform = new(Length);
    private readonly double[] _window = [.. Enumerable.Range(0, Length).Select(i => 0.5 - 0.5 * Math.Cos(2 * Math.PI * i / Length))];
    private readonly double[] _re = new double[Length];
    private readonly double[] _im = new double[Length];
    private readonly double[] _powers = new double[Length / 2];
    private readonly int _sampleRateHz;
    private int _filled;
    private int _transforms;

    public ThirdOctaves(int sampleRateHz) => _sampleRateHz = sampleRateHz;

    /// <summary>Hz, from 25 to 20,000, as they are called.</summary>
    public static IReadOnlyList<double> CentresHz { get; } =
        [.. Enumerable.Range(First, Last - First + 1).Select(k => 1000 * Math.Pow(10, k / 10.0))];

    /// <summary>dB of the mean square in each band, both sides together, as a sine of full scale on both sides has 0 dB; null for
    /// silence and for what was shorter than a transform.</summary>
    public IReadOnlyList<double>? LevelsDb()
    {
        if (_transforms == 0)
            return null;
        // A sine of amplitude 1 leaves ½ on each side; the window keeps 3/8 of the power.
        var scale = 1 / (_transforms * (double)Length * Length * 0.375 / 2);
        var width = (double)_sampleRateHz / Length;
        return [.. CentresHz.Select(c => Level(c * Math.Pow(10, -0.05) / width, c * Math.Pow(10, 0.05) / width, scale))];
    }

    /// <param name="block">Two lanes.</param>
    public void Add(SignalBlock block, int frames)
    {
        var (left, right) = (0, 1);
        for (var done = 0; done < frames;)
        {
            var stretch = Math.Min(Length - _filled, frames - done);
            for (var i = 0; i < stretch; i++)
            {
                // The sides travel together as the two parts of one complex signal.
                _re[_filled + i] = block.Lane(left, frames)[done + i] * _window[_filled + i];
                _im[_filled + i] = block.Lane(right, frames)[done + i] * _window[_filled + i];
            }

            done += stretch;
            _filled += stretch;
            if (_filled < Length)
                continue;
            _filled = 0;
            Count();
        }
    }

    private void Count()
    {
        _transform.Run(_re, _im);
        _transforms++;
        // |L|² + |R|² of line i is half of what the complex signal has at i and at −i.
        for (var i = 1; i < Length / 2; i++)
            _powers[i] += (_re[i] * _re[i] + _im[i] * _im[i] + _re[Length - i] * _re[Length - i] + _im[Length - i] * _im[Length - i]) / 2;
    }

    private double Level(double from, double to, double scale)
    {
        var power = 0.0;
        for (var i = Math.Max(1, (int)Math.Floor(from + 0.5)); i <= Math.Min(Length / 2 - 1, (int)Math.Ceiling(to - 0.5)); i++)
            power += _powers[i] * Math.Max(0, Math.Min(to, i + 0.5) - Math.Max(from, i - 0.5));
        return 10 * Math.Log10(Math.Max(power * scale, SmallestPower));
    }
}
