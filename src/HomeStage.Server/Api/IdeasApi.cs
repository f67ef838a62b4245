using HomeStage.Core.Editing;
using HomeStage.Core.Ideas;
using HomeStage.Core.Media;
using HomeStage.Formats;
using HomeStage.Formats.Wave;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What was played over the loop, as a starter to be kept.</summary>
internal static class IdeasApi
{
    public sealed record NewIdea(Played Played, IdeaWish Wish);

    /// <param name="Name">Of the starter.</param>
    /// <param name="Section">Name of the section that it is for.</param>
    /// <param name="Edits">By which the channel has it, as one batch.</param>
    public sealed record IdeaView(string Name, string Section, int Notes, IReadOnlyList<Edit> Edits);

    /// <param name="Seconds">Null where nothing of the clicks came back.</param>
    public sealed record RoundTripView(double? Seconds);

    public static void MapIdeas(this RouteGroupBuilder api)
    {
        api.MapPost("/documents/{id}/ideas", Work).WithTags("Ideas");
        api.MapPost("/documents/{id}/ideas/sound", Keep).WithTags("Ideas");
        api.MapGet("/round-trip/click", (int rate) => rate is >= MediaRef.SlowestRateHz and <= MediaRef.FastestRateHz
            ? Results.Bytes(PlainWave.Of(new([RoundTrip.Click(rate)], rate)), "audio/wav")
            : Problems.Refused(new Refusal.OutOfRange("The sample rate", rate, MediaRef.SlowestRateHz, MediaRef.FastestRateHz, "Hz"))).WithTags("Ideas").Produces(StatusCodes.Status200OK, contentType: "audio/wav");
        api.MapPost("/round-trip", Measure).WithTags("Ideas");
    }

    private static async Task<Results<Ok<IdeaView>, ProblemHttpResult>> Work(string id, NewIdea asked, DocumentStore store, CancellationToken cancellation)
    {
        if (await store.OpenAsync(id, cancellation) is not { } document)
            return Problems.NotFound("document");
        var (idea, why) = FirstIdea.Of(document.Template, asked.Played, asked.Wish);
        return idea is null
            ? Problems.Refused(why!)
            : TypedResults.Ok(new IdeaView(idea.Pattern.Name, document.Template.Timeline.NameOf(idea.Section), idea.Pattern.Notes.Count, idea.Edits));
    }

    /// <summary>The body is a WAVE file: what came in at the input while the loop was heard. It is cut to the last bars, kept as a sound, and answered with the edits that lay it down.</summary>
    private static async Task<Results<Ok<IdeaView>, ProblemHttpResult>> Keep(
        string id, HttpRequest request, string channel, double startSeconds, double roundTripSeconds, DocumentStore store, MediaStore media, CancellationToken cancellation, string? section = null, int? bars = null)
    {
        if (await store.OpenAsync(id, cancellation) is not { } document)
            return Problems.NotFound("document");
        if (!Identifier.IsValid(channel))
            return Problems.NotFound("channel");
        var (sound, unreadable) = await HeardAsync(request, cancellation);
        if (sound is null)
            return unreadable!;
        var template = document.Template;
        var (idea, why) = SoundIdea.Of(template, new(new(channel), section, startSeconds, roundTripSeconds, bars), sound);
        if (idea is null)
            return Problems.Refused(why!);
        var heard = template.Channels[new ChannelId(channel)];
        var name = template.Timeline.NameOf(idea.Section);
        var kept = await MediaApi.AddAsync(PlainWave.Of(idea.Sound), $"{heard.Name}, {name}", media, cancellation);
        if (kept.Result is not Ok<MediaRef> { Value: { } reference })
            return (ProblemHttpResult)kept.Result;
        var starter = SoundIdea.StarterOf(heard, reference, idea.Section);
        return TypedResults.Ok(new IdeaView(starter.Name, name, idea.Bars, [new PutStarter(heard.Id, starter)]));
    }

    /// <summary>The body is a WAVE file: what came in while clicks were played.</summary>
    /// <param name="clicks">When each was played, in seconds from the first sample on.</param>
    private static async Task<Results<Ok<RoundTripView>, ProblemHttpResult>> Measure(HttpRequest request, double[] clicks, CancellationToken cancellation)
    {
        var (sound, unreadable) = await HeardAsync(request, cancellation);
        return sound is null ? unreadable!
            : clicks.Length is < 2 or > 32 || clicks.Any(c => !(c is >= 0 and <= HeardPlace.LongestSeconds)) ? Problems.Refused(new Refusal.OutOfRange("The clicks", clicks.Length, 2, 32, ""))
            : TypedResults.Ok(new RoundTripView(RoundTrip.Of(sound.Lanes[0], sound.SampleRateHz, clicks)));
    }

    private static async Task<(MediaSound? Sound, ProblemHttpResult? Why)> HeardAsync(HttpRequest request, CancellationToken cancellation) =>
        await BoundedStream.ReadAsync(request.Body, WaveReader.MostBytes, request.ContentLength, cancellation) is not { } bytes
            ? (null, Problems.Unreadable("too-large", $"A sound may have {WaveReader.MostBytes / 1024 / 1024} MB."))
            : WaveReader.Read(bytes) switch
            {
                FormatResult<MediaSound>.Read read => (read.Value, null),
                FormatResult<MediaSound>.Refused refused => (null, Problems.Unreadable(refused.Code, refused.Sentence)),
                _ => throw new InvalidOperationException("A file is read or refused."),
            };
}
