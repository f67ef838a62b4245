using HomeStage.Core.Sound;

namespace HomeStage.Server.Jobs;

/// <summary>Tells a job how far its render is.</summary>
/// <param name="offer">Given what there is of the sound; null where nobody hears it before it is finished.</param>
internal sealed class JobWatcher(IProgress<double> job, Action<RenderedAudio>? offer = null) : IRenderWatcher
{
    public void OnFrames(RenderedSound sound, int frames)
    {
        offer?.Invoke(new(sound, frames, []));
        job.Report((double)frames / Math.Max(1, sound.Left.Length));
    }
}
