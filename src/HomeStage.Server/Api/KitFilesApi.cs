using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.Csv;
using HomeStage.Formats.MidiNames;
using HomeStage.Formats.Packages;
using HomeStage.Formats.Sfz;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Kits as files: a table, a MIDI name document, or an SFZ with its samples in a ZIP, told apart by how they begin.</summary>
internal static class KitFilesApi
{
    /// <param name="LeftOut">What the file holds besides, in words.</param>
    public sealed record KitFileAnswer(Kit Kit, IReadOnlyList<string> LeftOut);

    public static void MapKitFiles(this RouteGroupBuilder group)
    {
        group.MapPost("/{id}/channels/{channel}/kit-file", async Task<Results<Ok<KitFileAnswer>, ProblemHttpResult>> (
            string id, string channel, HttpRequest request, DocumentStore store, StagedSounds staged, CancellationToken cancellation) =>
            await KitOfAsync(id, channel, store, cancellation) is not { } kit ? Problems.NotFound("kit")
            : await BoundedStream.ReadAsync(request.Body, SfzReader.MostBytes, request.ContentLength, cancellation) is not { } bytes
                ? Problems.Unreadable("too-large", $"A kit's file may have {SfzReader.MostBytes / 1024 / 1024} MB.")
            : Begins(bytes, "PK") ? await ReadSfzAsync(bytes, kit, staged, cancellation)
            : Begins(bytes, "<") ? ReadNames(bytes, kit)
            : KitCsv.Read(bytes, kit) switch
            {
                FormatResult<KitTable>.Read read => TypedResults.Ok(new KitFileAnswer(read.Value.Kit, read.Value.LeftOut)),
                FormatResult<KitTable>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
                _ => throw new InvalidOperationException("A table is read or refused."),
            });
        group.MapGet("/{id}/channels/{channel}/kit.csv", async Task<Results<FileContentHttpResult, ProblemHttpResult>> (string id, string channel, DocumentStore store, CancellationToken cancellation) =>
            await KitOfAsync(id, channel, store, cancellation) is { } kit
                ? TypedResults.File(KitCsv.Write(kit), "text/csv", $"{channel}.csv")
                : Problems.NotFound("kit"));
        group.MapGet("/{id}/channels/{channel}/kit.midnam", async Task<Results<FileContentHttpResult, ProblemHttpResult>> (string id, string channel, DocumentStore store, CancellationToken cancellation) =>
            await KitOfAsync(id, channel, store, cancellation) is { } kit
                ? TypedResults.File(MidiNameDocument.Write((await store.OpenAsync(id, cancellation))!.Template.Channels[new ChannelId(channel)].Name, kit), "application/xml", $"{channel}.midnam")
                : Problems.NotFound("kit"));
    }

    private static async Task<Kit?> KitOfAsync(string document, string channel, DocumentStore store, CancellationToken cancellation) =>
        Identifier.IsValid(channel) && await store.OpenAsync(document, cancellation) is { } open
        && open.Template.Channels.TryGet(new(channel), out var player) && player.Source is InstrumentSource { Kit: { } kit } ? kit : null;

    private static bool Begins(byte[] bytes, string with)
    {
        ReadOnlySpan<byte> text = bytes;
        if (text.StartsWith("\uFEFF"u8))
            text = text[3..];
        return text.TrimStart(" \t\r\n"u8).StartsWith(System.Text.Encoding.ASCII.GetBytes(with));
    }

    private static Results<Ok<KitFileAnswer>, ProblemHttpResult> ReadNames(byte[] bytes, Kit kit) => MidiNameDocument.Read(bytes) switch
    {
        FormatResult<IReadOnlyList<MidiNameDocument.NamedNote>>.Read read => Checked(NamedKit.Of(kit, read.Value.Select(n => (n.Note, n.Name, n.Group))), []),
        FormatResult<IReadOnlyList<MidiNameDocument.NamedNote>>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
        _ => throw new InvalidOperationException("A document is read or refused."),
    };

    /// <summary>The samples wait beside the shelf until an edit uses them.</summary>
    private static async Task<Results<Ok<KitFileAnswer>, ProblemHttpResult>> ReadSfzAsync(byte[] bytes, Kit kit, StagedSounds staged, CancellationToken cancellation)
    {
        var tray = staged.Tray(path => SongPackage.FileName(Path.GetFileNameWithoutExtension(path)));
        var result = await Task.Run(() => SfzReader.Read(bytes, tray, cancellation), cancellation);
        if (result is FormatResult<SfzKit>.Refused refused)
            return Problems.Unreadable(refused.Code, refused.Sentence);
        var read = ((FormatResult<SfzKit>.Read)result).Value;
        var last = read.Pieces.Max(p => p.Output);
        var outputs = kit.Outputs.Concat(Enumerable.Range(kit.Outputs.Count + 1, Math.Max(0, last - kit.Outputs.Count)).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo)));
        return Checked(kit with { Outputs = outputs.ToSequence(), Pieces = read.Pieces.Select(PieceOf).ToSequence() }, read.LeftOut);
    }

    private static Piece PieceOf(SfzPiece piece)
    {
        var family = GeneralMidiPercussion.At(piece.Note)?.Family ?? "pads";
        var pad = Piece.Pad(piece.Name, piece.Note, family, piece.Output, SoundNames.Guess(piece.Name, family, piece.Note), piece.Pan);
        return (pad with { Layers = piece.Layers.Skip(1).Select(l => new SampleLayer(l.FromVelocity, l.Sample)).ToSequence() }).Playing(piece.Layers.Count > 0 ? piece.Layers[0].Sample : null);
    }

    private static Results<Ok<KitFileAnswer>, ProblemHttpResult> Checked(Kit kit, IReadOnlyList<string> leftOut) =>
        KitRules.Check(kit) is { } wrong ? Problems.Unreadable(wrong.Code, wrong.Sentence) : TypedResults.Ok(new KitFileAnswer(kit, leftOut));
}
