using HomeStage.Core.Compiling;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Studios;

namespace HomeStage.Core.Outside;

/// <summary>The test as it is heard here, channel by channel: what comes back is held against it.</summary>
/// <param name="RateHz">At which all of it is looked at: the template's own, divided by a whole number.</param>
/// <param name="Tracks">Every channel that leads to the main, after its fader and pan.</param>
public sealed record Reference(TestSong Song, int RateHz, IReadOnlyDictionary<ChannelId, TestTrack> Tracks)
{
    private const int NearHz = 16000;

    /// <summary>So much is heard after the last slot.</summary>
    private const double TailSeconds = 1;

    /// <param name="studio">By which lateness is reckoned; null for none.</param>
    /// <param name="progress">Told in [0, 1]; null for nobody.</param>
    /// <exception cref="OperationCanceledException">Cancelled.</exception>
    public static Reference Of(TestSong song, ITestTapes tapes, Studio? studio = null, IMediaShelf? shelf = null, IProgress<double>? progress = null, CancellationToken cancellation = default)
    {
        var compiled = new CompiledTemplate(InStudio.Of(song.Template, studio));
        var stems = StemRender.Able(compiled, song.Act).Select(c => new Stem(c.Id, StemPoint.AfterFader)).ToList();
        var by = Every(song.Template.SampleRateHz);
        var sink = new Sink(by, [.. stems.Select(_ => tapes.Fresh(2))]);
        StemRender.Render(compiled, song.Act, stems, TailSeconds, sink, progress, shelf, cancellation: cancellation);
        sink.End();
        var rate = song.Template.SampleRateHz / by;
        return new(song, rate, stems.Zip(sink.Tapes).ToDictionary(s => s.First.Channel, s => new TestTrack(Contour.Of(s.Second.Lanes(), rate), s.Second)));
    }

    /// <summary>A sound that came back, at the rate of the reference.</summary>
    /// <param name="lanes">One or two of one length.</param>
    public Recording Brought(string name, IReadOnlyList<float[]> lanes, int sampleRateHz, ITestTapes tapes)
    {
        var converted = lanes.Select(l => sampleRateHz % RateHz == 0 ? Decimator.Whole(l, sampleRateHz / RateHz) : Resampler.Convert(l, sampleRateHz, RateHz)).ToList();
        var tape = tapes.Fresh(lanes.Count);
        tape.Append(converted[0], lanes.Count > 1 ? converted[1] : []);
        return new(name, sampleRateHz, new(Contour.Of(converted, RateHz), tape));
    }

    /// <summary>The whole number that leaves a rate near 16 kHz: enough for what sets in when, and which way up, and a third of the work.</summary>
    private static int Every(int sampleRateHz)
    {
        var by = Math.Max(1, (int)Math.Round((double)sampleRateHz / NearHz));
        while (sampleRateHz % by != 0)
            by--;
        return by;
    }

    private sealed class Sink(int by, IReadOnlyList<ITestTape> tapes) : IStemSink
    {
        private readonly IReadOnlyList<(Decimator Left, Decimator Right)> _thinned = [.. tapes.Select(_ => (new Decimator(by), new Decimator(by)))];

        public IReadOnlyList<ITestTape> Tapes => tapes;

        public void Take(int stem, ReadOnlySpan<float> left, ReadOnlySpan<float> right) => tapes[stem].Append(_thinned[stem].Left.Take(left), _thinned[stem].Right.Take(right));

        public void End()
        {
            foreach (var (tape, thinned) in tapes.Zip(_thinned))
                tape.Append(thinned.Left.End(), thinned.Right.End());
        }
    }
}
