using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Media;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Tapes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound;

/// <summary>A render with its count before it: the song's own samples are those of the render without, and the clicks come on top.</summary>
public static class CountedRender
{
    private static readonly ChannelId Counter = new("count-in");

    /// <inheritdoc cref="Renderer.Render(CompiledTemplate, RenderRequest, IRenderWatcher?, IMediaShelf?, RenderManner?, TapeShelf?, CancellationToken)"/>
    public static RenderedSound Render(
        CompiledTemplate compiled, RenderRequest request, IRenderWatcher? watcher = null, IMediaShelf? shelf = null, TapeShelf? tapes = null, CancellationToken cancellation = default)
    {
        if (!request.IsCounted(compiled.Template))
            return Renderer.Render(compiled, request, watcher, shelf, tapes: tapes, cancellation: cancellation);
        var (clicks, lead) = Clicks(compiled.Template, request.Heard(compiled.Template.Timeline), cancellation);
        var counted = new Counted(clicks, lead, watcher);
        var sound = Renderer.Unmetered(compiled, request, counted, shelf, tapes: tapes, cancellation: cancellation);
        var whole = counted.With(sound, sound.Left.Length);
        return whole with { Channels = sound.Channels, ChannelsFromTape = sound.ChannelsFromTape, Meters = SoundMeters.Of(whole.Left, whole.Right, whole.SampleRateHz) };
    }

    /// <param name="timeline">What is heard of it; something is counted.</param>
    /// <returns>The count alone, from its start to its last click, and where in what will be heard the song begins, in frames.</returns>
    public static (RenderedSound Sound, int LeadFrames) Clicks(Template template, Timeline timeline, CancellationToken cancellation)
    {
        var count = timeline.CountIn!;
        var from = CountNotes.Counter(template);
        var notes = CountNotes.Of(timeline);
        var counted = count.Before(timeline) with { CountIn = null };
        // A tick is over before the next would come.
        var whole = count.Click ? counted : counted with { Sections = [counted.Sections[0]] };
        var map = new TimeMap(whole);
        // A pattern may be shorter than a song, so each section has its own.
        var patterns = map.Sections.Select((s, n) => new Pattern(
            $"{n}", (int)s.LengthTicks,
            notes.Where(b => b.StartTick >= s.StartTick && b.StartTick < s.StartTick + s.LengthTicks).Select(b => b with { StartTick = (int)(b.StartTick - s.StartTick) }).ToSequence(),
            [s.Section.Id]));
        var alone = EmptyStage.Create("Count-in") with
        {
            SampleRateHz = template.SampleRateHz,
            Timeline = whole,
            Channels = ChannelList.From(
            [
                new() { Id = EmptyStage.Main, Name = "Main", Kind = ChannelKind.Main, OutputPair = 1 },
                new()
                {
                    Id = Counter, Name = "Count-in", Kind = ChannelKind.Instrument, Destination = EmptyStage.Main, Level = from?.Level ?? default,
                    Source = from?.Source ?? new InstrumentSource(InstrumentCatalogue.CountInTick), Patterns = patterns.ToSequence(),
                },
            ]),
        };
        var sound = Renderer.Unmetered(new CompiledTemplate(alone), new(alone.Acts[0].Id), cancellation: cancellation);
        return (sound, (int)Math.Round(count.LeadSeconds(timeline) * template.SampleRateHz));
    }

    /// <summary>Lays the song's frames over the count as they become final.</summary>
    private sealed class Counted(RenderedSound clicks, int leadFrames, IRenderWatcher? watcher) : IRenderWatcher
    {
        private RenderedSound? _whole;
        private int _laid;

        public void OnFrames(RenderedSound sound, int frames)
        {
            var whole = With(sound, frames);
            watcher?.OnFrames(whole, leadFrames + frames);
        }

        public RenderedSound With(RenderedSound sound, int frames)
        {
            _whole ??= new(Begun(clicks.Left, sound), Begun(clicks.Right, sound), sound.SampleRateHz, sound.LatencyFrames);
            for (; _laid < frames; _laid++)
            {
                _whole.Left[leadFrames + _laid] += sound.Left[_laid];
                _whole.Right[leadFrames + _laid] += sound.Right[_laid];
            }

            return _whole;
        }

        private float[] Begun(float[] lane, RenderedSound sound)
        {
            var whole = new float[leadFrames + sound.Left.Length];
            lane.AsSpan(0, Math.Min(lane.Length, whole.Length)).CopyTo(whole);
            return whole;
        }
    }
}
