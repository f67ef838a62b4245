using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Meters;
using HomeStage.Formats.Wave;
using HomeStage.Server.Demo;

namespace HomeStage.Bench;

/// <summary>How many times faster than real time the demo renders, and its loudness beside ffmpeg's in the same run.</summary>
internal static class RenderBench
{
    private const int Runs = 5;

    public static void Run()
    {
        foreach (var (name, _) in DemoSeed.Templates)
        {
            var template = DemoSeed.Built(name);
            var request = new RenderRequest("write");
            RenderedSound sound = null!;
            var seconds = Medians.Seconds(Runs, () => sound = Renderer.Render(template, request));
            Medians.Say($"{name}: {sound.Seconds:0.0} s of sound in {seconds:0.00} s, {sound.Seconds / seconds:0.0} times real time");
            CompareLoudness(sound);
        }
    }

    private static void CompareLoudness(RenderedSound sound)
    {
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.wav");
        try
        {
            using (var stream = File.Create(file))
                WaveWriter.Write(sound, WaveDepth.Float32, stream);
            // What the process costs without the meter is taken off.
            var nothing = Tools.FfmpegSeconds(Runs, file, "anull");
            var theirs = Tools.FfmpegSeconds(Runs, file, "ebur128=framelog=verbose:peak=true") - nothing;
            var ours = Medians.Seconds(Runs, () => SoundMeters.Of(sound.Left, sound.Right, sound.SampleRateHz));
            Medians.Say($"  all meters: ours {1e9 * ours / sound.Left.Length:0} ns a stereo sample, ffmpeg's loudness and true peak {1e9 * theirs / sound.Left.Length:0}, ratio {theirs / ours:0.0}");
        }
        finally
        {
            File.Delete(file);
        }
    }
}
