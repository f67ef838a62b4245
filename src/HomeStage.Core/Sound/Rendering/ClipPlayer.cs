using HomeStage.Core.Media;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>Plays the uploaded sound that waits on a channel.</summary>
/// <remarks>A loop repeats to the end of its section. What ends before its sound does is faded over 5 ms. Sound that is not on
/// the shelf is silent.</remarks>
internal sealed class ClipPlayer
{
    private const double FadeSeconds = 0.005;

    private readonly List<Clip> _clips = [];
    private readonly int _fadeFrames;
    private long _frame;

    public ClipPlayer(Channel channel, TimeMap time, RenderRange range, IMediaShelf shelf, int sampleRateHz)
    {
        _fadeFrames = (int)(FadeSeconds * sampleRateHz);
        foreach (var starter in channel.Starters)
        {
            if (shelf.Find(starter.Sound.Content) is not { } sound)
                continue;
            var laid = new LaidSound(starter, sound, sampleRateHz);
            var sections = time.Sections.Where(s => starter.Sections.Count == 0 || starter.Sections.Contains(s.Section.Id));
            foreach (var section in sections.Take(starter.Through ? 1 : int.MaxValue))
            {
                long Frame(double seconds) => (long)Math.Round((section.StartSeconds + seconds - range.StartSeconds) * sampleRateHz);
                var end = starter.Through ? long.MaxValue : Frame(section.LengthSeconds);
                foreach (var piece in laid.Pieces(section.TempoBpm, section.LengthSeconds, starter.Loops && !starter.Through))
                {
                    var (start, whole) = (Frame(piece.StartSeconds), Frame(piece.StartSeconds) + piece.Frames);
                    var last = Math.Min(end, Math.Min(whole, Frame(piece.LatestEndSeconds)));
                    if (start < end)
                        _clips.Add(new(piece.Lanes, piece.FirstFrame, start, last, (float)starter.Level.Linear, last < whole || piece.EndsWithin));
                }
            }
        }
    }

    public void Render(SignalBlock block, int frames)
    {
        block.Clear(frames);
        foreach (var clip in _clips)
            if (clip.Start < _frame + frames && clip.End > _frame)
                Add(clip, block, frames);
        _frame += frames;
    }

    private void Add(Clip clip, SignalBlock block, int frames)
    {
        var (from, to) = (Math.Max(clip.Start, _frame), Math.Min(clip.End, _frame + frames));
        var left = block.Lane(0, frames);
        var right = block.Lane(1, frames);
        var (sourceLeft, sourceRight) = (clip.Lanes[0], clip.Lanes[^1]);
        for (var frame = from; frame < to; frame++)
        {
            var gain = clip.Cut && clip.End - frame < _fadeFrames ? clip.Gain * (clip.End - frame) / _fadeFrames : clip.Gain;
            left[(int)(frame - _frame)] += gain * sourceLeft[(int)(clip.FirstFrame + frame - clip.Start)];
            right[(int)(frame - _frame)] += gain * sourceRight[(int)(clip.FirstFrame + frame - clip.Start)];
        }
    }

    /// <param name="Cut">Whether it ends before its sound does, and so is faded.</param>
    private sealed record Clip(float[][] Lanes, int FirstFrame, long Start, long End, float Gain, bool Cut);
}
