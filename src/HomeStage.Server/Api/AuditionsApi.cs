using HomeStage.Core.Sound;
using HomeStage.Formats.Wave;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>One pad, key or hardware input, heard through the template's own path.</summary>
internal static class AuditionsApi
{
    // A press must not wait behind many others, nor take both cores from a render that plays.
    private static readonly OneAtATime Gate = new();

    /// <param name="Channel">An instrument or notes channel, or one that monitors a hardware input.</param>
    /// <param name="Note">MIDI note number, in [0, 127]; null for the hardware input.</param>
    /// <param name="Velocity">In [1, 127].</param>
    public sealed record NewAudition(string Document, string Act, ChannelId Channel, int? Note, int Velocity = 100);

    public static void MapAuditions(this RouteGroupBuilder api) =>
        api.MapPost("/auditions", Sound).WithTags("Auditions").Produces(StatusCodes.Status200OK, contentType: "audio/wav");

    /// <summary>Answers with the sound: 32-bit floating point WAVE, stereo.</summary>
    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Sound(
        NewAudition asked, DocumentStore store, MediaStore media, CancellationToken cancellation)
    {
        if (await store.OpenAsync(asked.Document, cancellation) is not { } document)
            return Problems.NotFound("document");
        if ((asked.Note is { } struck ? Audition.Check(document.Template, asked.Act, asked.Channel, struck, asked.Velocity) : Audition.CheckInput(document.Template, asked.Act, asked.Channel)) is { } wrong)
            return Problems.Refused(wrong);
        var alone = asked.Note is { } note ? Audition.Of(document.Template, asked.Channel, note, asked.Velocity) : Audition.OfInput(document.Template, asked.Channel);
        var sound = await Gate.DoAsync(() => Renderer.Render(alone, new(asked.Act) { PlayedLive = true }, shelf: media, cancellation: cancellation), cancellation);
        return TypedResults.Bytes(WaveWriter.Bytes(sound, WaveDepth.Float32), "audio/wav");
    }
}
