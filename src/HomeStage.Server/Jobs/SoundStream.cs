using System.Buffers.Binary;
using HomeStage.Core.Sound;

namespace HomeStage.Server.Jobs;

/// <summary>Sends the samples of a render while it goes on.</summary>
internal static class SoundStream
{
    private const int BytesAFrame = 8;
    private const int Stretch = 8192;
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(5);

    /// <returns>The sound once there is some of it; null where the job ends without.</returns>
    public static async Task<RenderedSound?> BeginningAsync(Job<RenderedAudio> job, CancellationToken cancellation)
    {
        while (job.Result is null && !job.IsOver)
            await Task.Delay(Pause, cancellation);
        return job.Result?.Sound;
    }

    /// <summary>Left and right in turn, 32-bit floating point, little-endian, until all is sent or the job ends without a sound.</summary>
    public static async Task WriteAsync(Job<RenderedAudio> job, Stream body, CancellationToken cancellation)
    {
        var bytes = new byte[BytesAFrame * Stretch];
        for (var sent = 0; ;)
        {
            // Whether it was over is asked first: what it left until then is final.
            var isOver = job.IsOver;
            var audio = job.Result;
            while (audio is not null && sent < audio.Frames)
            {
                var frames = Math.Min(Stretch, audio.Frames - sent);
                Interleave(audio, sent, bytes.AsSpan(0, BytesAFrame * frames));
                await body.WriteAsync(bytes.AsMemory(0, BytesAFrame * frames), cancellation);
                sent += frames;
            }

            if (isOver)
                return;
            await body.FlushAsync(cancellation);
            await Task.Delay(Pause, cancellation);
        }
    }

    private static void Interleave(RenderedAudio audio, int start, Span<byte> bytes)
    {
        for (var i = 0; i * BytesAFrame < bytes.Length; i++)
        {
            BinaryPrimitives.WriteSingleLittleEndian(bytes[(i * BytesAFrame)..], audio.Sound.Left[start + i]);
            BinaryPrimitives.WriteSingleLittleEndian(bytes[(i * BytesAFrame + 4)..], audio.Sound.Right[start + i]);
        }
    }
}
