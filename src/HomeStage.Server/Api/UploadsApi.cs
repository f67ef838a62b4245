using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats;
using HomeStage.Formats.Midi;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Files that are read for a channel: they answer with what could be put in, and change nothing.</summary>
internal static class UploadsApi
{
    /// <param name="Parts">What can become a pattern.</param>
    /// <param name="Suggested">Index of the part that suits the instrument best.</param>
    /// <param name="LeftOut">What the file holds besides, in words.</param>
    public sealed record MidiAnswer(IReadOnlyList<MidiPartView> Parts, int Suggested, IReadOnlyList<string> LeftOut);

    /// <param name="Bars">Its length in bars of 4/4, or of the file's meter where it states one.</param>
    /// <param name="PiecesHit">For a kit: how many of its pieces the notes play.</param>
    /// <param name="NotesWithoutPiece">For a kit: note numbers that play nothing in it.</param>
    public sealed record MidiPartView(
        int Track, int Channel, string Name, int Notes, double Bars, int SkippedBars, int PiecesHit, IReadOnlyList<int> NotesWithoutPiece, Pattern Pattern);

    /// <summary>The bodies are files as they are, of whatever media type the browser gives them.</summary>
    public static void MapUploads(this RouteGroupBuilder group)
    {
        group.MapPost("/{id}/channels/{channel}/midi", (string id, string channel, HttpRequest request, DocumentStore store, CancellationToken cancellation) =>
            ReadMidi(id, channel, request, store, cancellation));
    }

    private static async Task<Results<Ok<MidiAnswer>, ProblemHttpResult>> ReadMidi(
        string document, string channel, HttpRequest request, DocumentStore store, CancellationToken cancellation)
    {
        if (await ChannelAsync(document, channel, store, cancellation) is not { } player
            || (player.Source is not InstrumentSource && player.Kind != ChannelKind.Notes))
            return Problems.NotFound("instrument");
        var bytes = await BoundedStream.ReadAsync(request.Body, MidiReader.MostBytes, request.ContentLength, cancellation);
        if (bytes is null)
            return Problems.Unreadable("too-large", $"A MIDI file may have {MidiReader.MostBytes / 1024 / 1024} MB.");
        return MidiReader.Read(bytes) switch
        {
            FormatResult<MidiContent>.Read read => TypedResults.Ok(AnswerOf(read.Value, (player.Source as InstrumentSource)?.Kit)),
            FormatResult<MidiContent>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
            _ => throw new InvalidOperationException("A file is read or refused."),
        };
    }

    private static async Task<Channel?> ChannelAsync(
        string document, string channel, DocumentStore store, CancellationToken cancellation) =>
        Identifier.IsValid(channel)
        && await store.OpenAsync(document, cancellation) is { } open
        && open.Template.Channels.TryGet(new(channel), out var found)
            ? found
            : null;

    private static MidiAnswer AnswerOf(MidiContent content, Kit? kit)
    {
        var bar = (content.Meter ?? new(4, 4)).TicksPerBar;
        var pieces = kit?.Pieces.Select(p => p.Note).ToHashSet();
        MidiPartView[] parts =
            [.. content.Parts.Select(p => new MidiPartView(
                p.Track, p.Channel, p.Pattern.Name, p.Pattern.Notes.Count, (double)p.Pattern.LengthTicks / bar, p.SkippedBars,
                pieces is null ? 0 : p.Numbers.Count(pieces.Contains),
                pieces is null ? [] : [.. p.Numbers.Where(n => !pieces.Contains(n))],
                p.Pattern))];
        var suits = content.Parts.Select(p => PartFit.Of(kit, p.Channel, [.. p.Numbers], p.Pattern.Notes.Count)).ToList();
        return new(parts, suits.IndexOf(suits.Max()), content.LeftOut);
    }
}
