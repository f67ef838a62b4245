using HomeStage.Formats.Wave;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>Sounds to be uploaded, each another.</summary>
internal static class Waves
{
    /// <summary>A steady level by its number, stereo at 48 kHz, 24 bits.</summary>
    public static byte[] Numbered(int number, int frames = 480)
    {
        float[] lane = [.. Enumerable.Repeat(number / 100_000f, frames)];
        using var stream = new MemoryStream();
        WaveWriter.Write(new(lane, lane, 48000, 0), WaveDepth.Float32, stream);
        return stream.ToArray();
    }

    public static async Task<HttpResponseMessage> UploadAsync(HttpClient client, byte[] wave, string title = "A sound")
    {
        using var body = new ByteArrayContent(wave);
        return await client.PostAsync($"/api/media?title={Uri.EscapeDataString(title)}", body);
    }
}
