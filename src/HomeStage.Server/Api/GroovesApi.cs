using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats;
using HomeStage.Formats.Midi;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Makes grooves: they change nothing until an edit keeps them.</summary>
internal static class GroovesApi
{
    public static void MapGrooves(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/grooves").WithTags("Grooves");
        group.MapGet("/swing", Results<Ok<Groove>, ProblemHttpResult> (string name, int pairTicks, double percent) =>
            percent is > 0 and < 100 && pairTicks is >= 2 and <= Groove.LongestTicks
                ? Held(Groove.Swing(name.Trim(), pairTicks, percent / 100))
                : Problems.Refused(new Refusal.OutOfRange("Swing", percent, 1, 99, "%")));
        group.MapPost("/from-midi", FromMidi);
    }

    /// <summary>The body is a Standard MIDI File; the part with most notes is listened to.</summary>
    private static async Task<Results<Ok<Groove>, ProblemHttpResult>> FromMidi(
        HttpRequest request, string name, int gridTicks, int cycleTicks, CancellationToken cancellation)
    {
        if (!(gridTicks >= 1 && cycleTicks is >= 1 and <= Groove.LongestTicks && cycleTicks % gridTicks == 0 && cycleTicks / gridTicks <= Groove.MostSteps))
            return Problems.Unreadable("bad-grid", "The cycle of a groove is a whole number of steps, at most 64 of them and 16 quarter notes.");
        var bytes = await BoundedStream.ReadAsync(request.Body, MidiReader.MostBytes, request.ContentLength, cancellation);
        if (bytes is null)
            return Problems.Unreadable("too-large", $"A MIDI file may have {MidiReader.MostBytes / 1024 / 1024} MB.");
        return MidiReader.Read(bytes) switch
        {
            FormatResult<MidiContent>.Read read => Held(Groove.TakenFrom(name.Trim(), Fullest(read.Value), gridTicks, cycleTicks)),
            FormatResult<MidiContent>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
            _ => throw new InvalidOperationException("A file is read or refused."),
        };
    }

    private static Pattern Fullest(MidiContent content) => content.Parts.MaxBy(p => p.Pattern.Notes.Count)!.Pattern;

    /// <summary>Held against the rules by the edit that would keep it.</summary>
    private static Results<Ok<Groove>, ProblemHttpResult> Held(Groove groove) =>
        new PutGroove(groove).ApplyTo(EmptyStage.Create("Rules")) is EditResult.Refused refused ? Problems.Refused(refused.Why) : TypedResults.Ok(groove);
}
