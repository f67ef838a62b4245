using HomeStage.Core.Media;
using HomeStage.Formats;
using HomeStage.Formats.Wave;
using HomeStage.Server.Data.Keeping;
using HomeStage.Server.Data.Sounds;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

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
        group.MapPost("/", Add).WithMetadata(new RequestSizeLimitAttribute(WaveReader.MostBytes));
        group.MapPost("/waiting", Wait).WithMetadata(new RequestSizeLimitAttribute(WaveReader.MostBytes));
        group.MapGet("/uses", async Task<Ok<IReadOnlyDictionary<string, int>>> (SoundUses uses, CancellationToken cancellation) =>
            TypedResults.Ok(await uses.CountsAsync(cancellation)));
        group.MapDelete("/{content}", async Task<Results<NoContent, ProblemHttpResult>> (string content, Removals removals, CancellationToken cancellation) =>
            await removals.RemoveSoundAsync(content, cancellation) switch
            {
                null => Problems.NotFound("sound"),
                { Count: 0 } => TypedResults.NoContent(),
                var users => Problems.Of(StatusCodes.Status409Conflict, "sound-in-use",
                    $"This sound stays: {users[0]}{(users.Count > 1 ? $" and {users.Count - 1} more" : "")} can go back to a revision that uses it.", new() { ["path"] = users.ToArray() }),
            });
    }

    /// <summary>The body is a WAVE or AIFF file as it is, of whatever media type the browser gives it.</summary>
    private static async Task<Results<Ok<MediaRef>, ProblemHttpResult>> Add(
        HttpRequest request, string title, MediaStore media, CancellationToken cancellation) =>
        await BoundedStream.ReadAsync(request.Body, WaveReader.MostBytes, request.ContentLength, cancellation) is { } bytes ? await AddAsync(bytes, title, media, cancellation) : TooLarge();

    /// <summary>Takes a sound that is kept only once an edit uses it.</summary>
    private static async Task<Results<Ok<MediaRef>, ProblemHttpResult>> Wait(HttpRequest request, string title, StagedSounds staged, CancellationToken cancellation) =>
        await BoundedStream.ReadAsync(request.Body, WaveReader.MostBytes, request.ContentLength, cancellation) is { } bytes ? Answer(staged.Put(bytes, Titled(title))) : TooLarge();

    /// <summary>Puts a sound on the shelf, or says why not.</summary>
    internal static async Task<Results<Ok<MediaRef>, ProblemHttpResult>> AddAsync(ReadOnlyMemory<byte> wave, string title, MediaStore media, CancellationToken cancellation)
    {
        if (wave.Length > WaveReader.MostBytes)
            return TooLarge();
        return Answer(await media.AddAsync(wave, Titled(title), cancellation));
    }

    private static Results<Ok<MediaRef>, ProblemHttpResult> Answer(FormatResult<MediaRef> result) => result switch
    {
        FormatResult<MediaRef>.Read read => TypedResults.Ok(read.Value),
        FormatResult<MediaRef>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
        _ => throw new InvalidOperationException("A file is read or refused."),
    };

    private static ProblemHttpResult TooLarge() => Problems.Unreadable("too-large", $"A sound may have {WaveReader.MostBytes / 1024 / 1024} MB.");

    private static string Titled(string title)
    {
        var clean = TextRules.Cleaned(title, LongestTitle);
        return clean.Length == 0 ? "Sound" : clean;
    }
}
