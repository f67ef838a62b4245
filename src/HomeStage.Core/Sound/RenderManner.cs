namespace HomeStage.Core.Sound;

/// <summary>How a render is cut up; it changes no sample.</summary>
/// <param name="StretchFrames">Frames between two meetings of the threads, in [1, 2,048].</param>
/// <param name="Threads">At least 1.</param>
public sealed record RenderManner(int StretchFrames, int Threads)
{
    public static readonly RenderManner Usual = new(2048, Math.Clamp(Environment.ProcessorCount, 1, 8));
}
