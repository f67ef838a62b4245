namespace HomeStage.Core.Sound.Signals;

/// <summary>What one frame of a lane adds to the places around it when the lane is read in other steps.</summary>
/// <remarks>A sinc under a Kaiser window (J. F. Kaiser, 1974), 32 zero crossings a side, β = 9.</remarks>
/// <param name="step">Frames of the lane from one place to the next, above 0.</param>
internal readonly struct SincKernel(double step)
{
    private const int ZeroCrossings = 32;
    private const double Beta = 9;
    private const double BandShare = 0.92;

    private readonly double _cut = BandShare * Math.Min(1, 1 / step);

    /// <summary>In frames of the lane; beyond it nothing is added.</summary>
    public double Reach => ZeroCrossings / _cut;

    /// <param name="distance">From the place to the frame, in [−<see cref="Reach"/>, <see cref="Reach"/>].</param>
    public double At(double distance) => _cut * Sinc(distance * _cut) * Kaiser.At(distance / Reach, Beta);

    private static double Sinc(double x) => Math.Abs(x) < 1e-9 ? 1 : Math.Sin(Math.PI * x) / (Math.PI * x);
}
