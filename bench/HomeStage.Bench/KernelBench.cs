using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Meters;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Sound.Signals;
using HomeStage.Formats.Wave;

namespace HomeStage.Bench;

/// <summary>The kernels of the engine beside what people would otherwise use, on the same noise in one run.</summary>
internal static class KernelBench
{
    private const int Runs = 7;
    private const int RateHz = 48000;
    private const int Seconds = 120;
    private const int Frames = Seconds * RateHz;
    private const int BlockFrames = 256;

    private static readonly Map<double> SixBands = Map<double>.Empty
        .With("low-cut", 1).With("low-cut-hz", 60).With("low-shelf-db", 3).With("bell-1-db", -4).With("bell-2-db", 3).With("high-shelf-db", 2).With("high-cut", 1);

    public static void Run()
    {
        var sound = Noise();
        using var file = new NoiseFile(sound);
        Equaliser(sound, file);
        Medians.Say($"compressor: ours {Ours(sound, ProcessorCatalogue.Compressor, Map<double>.Empty.With("threshold-db", -30)):0.0} ns a stereo frame");
        Lockstep();
        Medians.Say($"reverb of eight lines: ours {Ours(sound, ProcessorCatalogue.Reverb, Map<double>.Empty):0.0} ns a stereo frame");
        Loudness(sound, file);
    }

    private static void Equaliser(RenderedSound sound, NoiseFile file)
    {
        var stereo = Ours(sound, ProcessorCatalogue.Equaliser, SixBands) / 2;
        var alone = Alone(sound);
        var nwaves = NWavesBands(sound);
        var ffmpeg = file.Ffmpeg(Runs, "highpass=f=60,bass=g=3:f=120,equalizer=f=400:g=-4:t=q:w=1,equalizer=f=2500:g=3:t=q:w=1,treble=g=2:f=8000,lowpass=f=12000") / 2;
        var sox = file.Sox(Runs, "highpass", "60", "bass", "3", "120", "equalizer", "400", "1q", "-4", "equalizer", "2500", "1q", "3", "treble", "2", "8000", "lowpass", "12000") / 2;
        Medians.Say($"six-band equaliser, a sample a lane: ours {stereo:0.0} ns in stereo, {alone:0.0} alone; NWaves {nwaves:0.0} ({nwaves / stereo:0.0} times), ffmpeg {ffmpeg:0.0} ({ffmpeg / stereo:0.0}), sox {sox:0.0} ({sox / stereo:0.0})");
    }

    /// <summary>Eight lanes laid frame by frame, worked through, and taken back.</summary>
    private static void Lockstep()
    {
        var random = new Random(4);
        var lanes = Enumerable.Range(0, EightLanes.Width).Select(_ => Enumerable.Range(0, BlockFrames).Select(_ => (float)(random.NextDouble() - 0.5)).ToArray()).ToArray();
        var together = new EightLanes(BlockFrames);
        var bands = new LockstepBands([.. Enumerable.Repeat(new EqualiserProcessor(SixBands, 1, RateHz).Plain!, EightLanes.Width)]);
        var compressor = new CompressorProcessor(Map<double>.Empty.With("threshold-db", -30), null, RateHz).Plain!.Value;
        var compressors = new LockstepCompressor([.. Enumerable.Repeat(compressor, EightLanes.Width)], pairs: false);
        double Each(Action<EightLanes, int> work) => Nanoseconds(() =>
        {
            for (var done = 0; done < Frames; done += BlockFrames * EightLanes.Width)
            {
                together.Lay(lanes, BlockFrames);
                work(together, BlockFrames);
            }
        });
        Medians.Say($"in lockstep, a sample a lane: equaliser {Each(bands.Process):0.0} ns, compressor {Each(compressors.Process):0.0} ns");
    }

    private static void Loudness(RenderedSound sound, NoiseFile file)
    {
        var ours = Nanoseconds(() => Metered(sound, new LoudnessMeter(2, RateHz).Add));
        var oursPeak = Nanoseconds(() =>
        {
            var (loudness, peak) = (new LoudnessMeter(2, RateHz), new TruePeakMeter(2));
            Metered(sound, (block, frames) =>
            {
                loudness.Add(block, frames);
                peak.Add(block, frames);
            });
        });
        var ffmpeg = file.Ffmpeg(Runs, "ebur128=framelog=verbose");
        var ffmpegPeak = file.Ffmpeg(Runs, "ebur128=framelog=verbose:peak=true");
        Medians.Say($"integrated loudness, a stereo frame: ours {ours:0.0} ns, ffmpeg {ffmpeg:0.0} ({ffmpeg / ours:0.0} times){Ebur128(sound, false, ours)}");
        Medians.Say($"with true peak: ours {oursPeak:0.0} ns, ffmpeg {ffmpegPeak:0.0} ({ffmpegPeak / oursPeak:0.0} times){Ebur128(sound, true, oursPeak)}");
    }

    private static string Ebur128(RenderedSound sound, bool truePeak, double ours)
    {
        if (!Ebur128Library.IsHere)
            return "; libebur128 is not installed";
        var interleaved = new float[2 * Frames];
        for (var i = 0; i < Frames; i++)
            (interleaved[2 * i], interleaved[2 * i + 1]) = (sound.Left[i], sound.Right[i]);
        var theirs = Nanoseconds(() => Ebur128Library.Measure(interleaved, RateHz, truePeak));
        return FormattableString.Invariant($", libebur128 {theirs:0.0} ({theirs / ours:0.0} times)");
    }

    /// <summary>ns a stereo frame.</summary>
    private static double Ours(RenderedSound sound, string processor, Map<double> settings)
    {
        var at = ProcessorFactory.Create(new(new("x"), processor) { Settings = settings }, 2, new(RateHz, 120));
        return Nanoseconds(() => Metered(sound, (block, frames) => at.Process(block, null, frames)));
    }

    private static double Alone(RenderedSound sound)
    {
        var at = new EqualiserProcessor(SixBands, 1, RateHz);
        var block = new SignalBlock(1, BlockFrames);
        return Nanoseconds(() =>
        {
            for (var start = 0; start + BlockFrames <= Frames; start += BlockFrames)
            {
                sound.Left.AsSpan(start, BlockFrames).CopyTo(block.Lane(0, BlockFrames));
                at.Process(block, null, BlockFrames);
            }
        });
    }

    private static double NWavesBands(RenderedSound sound)
    {
        var filters = EqualiserLaw.Sections(SixBands, RateHz)
            .Select(b => new NWaves.Filters.Base.IirFilter([b.B0, b.B1, b.B2], [1, b.A1, b.A2])).ToArray();
        return Nanoseconds(() =>
        {
            foreach (var sample in sound.Left)
                filters.Aggregate(sample, (x, f) => f.Process(x));
        });
    }

    private static void Metered(RenderedSound sound, Action<SignalBlock, int> add)
    {
        var block = new SignalBlock(2, BlockFrames);
        for (var start = 0; start + BlockFrames <= Frames; start += BlockFrames)
        {
            sound.Left.AsSpan(start, BlockFrames).CopyTo(block.Lane(0, BlockFrames));
            sound.Right.AsSpan(start, BlockFrames).CopyTo(block.Lane(1, BlockFrames));
            add(block, BlockFrames);
        }
    }

    private static double Nanoseconds(Action work) => 1e9 * Medians.Seconds(Runs, work) / Frames;

    private static RenderedSound Noise()
    {
        var random = new Random(1);
        float[] Lane() => [.. Enumerable.Range(0, Frames).Select(_ => (float)(random.NextDouble() - 0.5))];
        return new(Lane(), Lane(), RateHz, 0);
    }

    /// <summary>The noise as a file, for programs that read files; what a program costs without its work is taken off.</summary>
    private sealed class NoiseFile : IDisposable
    {
        private readonly string _path = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.wav");

        public NoiseFile(RenderedSound sound)
        {
            using var stream = File.Create(_path);
            WaveWriter.Write(sound, WaveDepth.Float32, stream);
        }

        /// <summary>ns a stereo frame.</summary>
        public double Ffmpeg(int runs, string filter) =>
            1e9 * (Tools.FfmpegSeconds(runs, _path, filter) - Tools.FfmpegSeconds(runs, _path, "anull")) / Frames;

        /// <summary>ns a stereo frame.</summary>
        public double Sox(int runs, params string[] effects) =>
            1e9 * (Tools.SoxSeconds(runs, _path, effects) - Tools.SoxSeconds(runs, _path)) / Frames;

        public void Dispose() => File.Delete(_path);
    }
}
