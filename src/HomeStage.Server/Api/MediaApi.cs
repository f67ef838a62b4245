using HomeStage.Core.Media;
using HomeStage.Formats;
using HomeStage.Formats.Wave;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Uploaded sound, kept once by content.</summary>
internal static class MediaApi
{
    private const int LongestTitle = 80;

    public static void MapMedia(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/media").WithTags("Media");
        group.MapGet("/", async Task<Ok<IReadOnlyList<MediaRef>>> (MediaStore media, CancellationToken cancellation) =>
            TypedResults.Ok(await media.ListAsync(cancellation)));
        group.MapPost("/", Add);
    }

    /// <summary>The body is a WAVE file as it is, of whatever media type the browser gives it.</summary>
    private static async Task<Results<Ok<MediaRef>, ProblemHttpResult>> Add(
        HttpRequest request, string title, MediaStore media, CancellationToken cancellation)
    {
        var bytes = await BoundedStream.ReadAsync(request.Body, WaveReader.MostBytes, cancellation);
        if (bytes is null)
            return Problems.Unreadable("too-large", $"A WAVE file may have {WaveReader.MostBytes / 1024 / 1024} MB.");
        return await AddAsync(bytes, title, media, cancellation);
    }

    /// <summary>Puts a WAVE file on the shelf, or says why not.</summary>
    internal static async Task<Results<Ok<MediaRef>, ProblemHttpResult>> AddAsync(byte[] wave, string title, MediaStore media, CancellationToken cancellation)
    {
        if (wave.Length > WaveReader.MostBytes)
            return Problems.Unreadable("too-large", $"A WAVE file may have {WaveReader.MostBytes / 1024 / 1024} MB.");
        return await media.AddAsync(wave, Titled(title), cancellation) switch
        {
            FormatResult<MediaRef>.Read read => TypedResults.Ok(read.Value),
            FormatResult<MediaRef>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
            _ => throw new InvalidOperationException("A file is read or refused."),
        };
    }

    private static string Titled(string title)
    {
        var clean = new string([.. title.Where(c => !char.IsControl(c))]).Trim();
        return clean.Length == 0 ? "Sound" : clean[..Math.Min(clean.Length, LongestTitle)];
    }
}
