using HomeStage.Core.Sound.Signals;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>Where a stem is taken.</summary>
/// <param name="block">What is taken; null where nothing sounds.</param>
/// <param name="mixer">Brings it to two lanes; null for a stem of one lane.</param>
/// <param name="lanes">1 or 2.</param>
/// <param name="latencyFrames">How late it is there.</param>
internal sealed class StemTap(SignalBlock? block, LinkMixer? mixer, int lanes, int latencyFrames)
{
    public int Lanes => lanes;

    public int LatencyFrames => latencyFrames;

    /// <param name="output">Two lanes, cleared; the first alone is filled for a stem of one lane.</param>
    /// <param name="start">From the stretch's start.</param>
    public void AddTo(SignalBlock output, int start, long frame, int frames)
    {
        if (mixer is not null)
            mixer.AddTo(output, start, frame, frames);
        else
            block?.Lane(0, start, frames).CopyTo(output.Lane(0, frames));
    }
}
