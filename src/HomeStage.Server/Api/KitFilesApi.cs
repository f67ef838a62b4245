using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Kits;
using HomeStage.Core.Machines;
using HomeStage.Formats;
using HomeStage.Formats.Csv;
using HomeStage.Formats.Midi;
using HomeStage.Formats.MidiNames;
using HomeStage.Formats.Packages;
using HomeStage.Formats.Sfz;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Kits as files: a table, a MIDI name document, the hits of a Standard MIDI File, or an SFZ with its samples, in a ZIP or as the parts of a form, told apart by how they begin.</summary>
internal static class KitFilesApi
{
    /// <param name="Edits">The batch that puts it in place of the kit that is there, so that all of it is heard.</param>
    /// <param name="LeftOut">What the file holds besides, in words.</param>
    /// <param name="Jacks">Null where the file's jacks are those that are there.</param>
    public sealed record KitFileAnswer(Kit Kit, IReadOnlyList<Edit> Edits, IReadOnlyList<string> LeftOut, JacksApart? Jacks);

    /// <summary>Two kits' jacks, for people: "11 mono outputs", "8 pairs".</summary>
    /// <param name="Number">How many single jacks the file tells of.</param>
    public sealed record JacksApart(string InFile, string Here, int Number);

    /// <summary>What a machine of one's own is to play.</summary>
    /// <param name="OutputsSaid">By how many outputs the file says that its pieces leave; 0 where it says nothing of them.</param>
    /// <param name="LeftOut">What the file holds besides, in words.</param>
    public sealed record BroughtKit(Kit Kit, int OutputsSaid, IReadOnlyList<string> LeftOut);

    /// <param name="Kit">As it was read.</param>
    public sealed record SettleRequest(Kit Kit, JackChoice Choice);

    public sealed record SettledView(IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words);

    public static void MapKitFiles(this RouteGroupBuilder group)
    {
        group.MapPost("/{id}/channels/{channel}/kit-file", async Task<Results<Ok<KitFileAnswer>, ProblemHttpResult>> (
            string id, string channel, HttpRequest request, DocumentStore store, StagedSounds staged, MediaStore media, CancellationToken cancellation) =>
            await KitOfAsync(id, channel, store, cancellation) is not { } kit ? Problems.NotFound("kit")
            : await ReadAsync(request, kit, staged, media, cancellation) switch
            {
                FormatResult<KitTable>.Read read => await AnswerAsync(id, channel, read.Value, store, cancellation),
                FormatResult<KitTable>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
                _ => throw new InvalidOperationException("A file is read or refused."),
            });
        group.MapPost("/{id}/machines/kit-file", async Task<Results<Ok<BroughtKit>, ProblemHttpResult>> (string id, HttpRequest request, DocumentStore store, StagedSounds staged, MediaStore media, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is null ? Problems.NotFound("document")
            : await ReadAsync(request, Blank, staged, media, cancellation) switch
            {
                FormatResult<KitTable>.Read read => KitRules.Check(read.Value.Kit) is { } wrong ? Problems.Unreadable(wrong.Code, wrong.Sentence) : TypedResults.Ok(new BroughtKit(read.Value.Kit, FileOutputs.Said(read.Value.Kit), read.Value.LeftOut)),
                FormatResult<KitTable>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
                _ => throw new InvalidOperationException("A file is read or refused."),
            });
        group.MapPost("/{id}/channels/{channel}/kit-jacks", async Task<Results<Ok<SettledView>, ProblemHttpResult>> (string id, string channel, SettleRequest asked, DocumentStore store, CancellationToken cancellation) =>
        {
            if (await store.OpenAsync(id, cancellation) is not { Template: var template } || template.KitOf(channel) is not { } here)
                return Problems.NotFound("kit");
            if ((asked.Choice.Check() ?? KitRules.Check(asked.Kit)) is { } wrong)
                return Problems.Refused(wrong);
            var kit = asked.Choice.Settle(asked.Kit, here);
            if (KitRules.Check(kit) is { } unruly)
                return Problems.Refused(unruly);
            var edits = KitFromFile.Of(template, new(channel), kit);
            return TypedResults.Ok(new SettledView(edits, EditWords.OfBatch(edits, template)));
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

    /// <summary>What a file is read over where nothing is there yet.</summary>
    private static readonly Kit Blank = new([], [new("The rest", ChannelFormat.Mono)]);

    private static async Task<Kit?> KitOfAsync(string document, string channel, DocumentStore store, CancellationToken cancellation) =>
        (await store.OpenAsync(document, cancellation))?.Template.KitOf(channel);

    private static bool Begins(byte[] bytes, string with)
    {
        ReadOnlySpan<byte> text = bytes;
        if (text.StartsWith("\uFEFF"u8))
            text = text[3..];
        return text.TrimStart(" \t\r\n"u8).StartsWith(System.Text.Encoding.ASCII.GetBytes(with));
    }

    private static async Task<Results<Ok<KitFileAnswer>, ProblemHttpResult>> AnswerAsync(string id, string channel, KitTable read, DocumentStore store, CancellationToken cancellation)
    {
        if (KitRules.Check(read.Kit) is { } wrong)
            return Problems.Unreadable(wrong.Code, wrong.Sentence);
        var template = (await store.OpenAsync(id, cancellation))!.Template;
        var jacks = template.KitOf(channel) is { } here && JackChoice.Differ(read.Kit, here)
            ? new JacksApart(KitOutput.Spoken(read.Kit.Outputs), KitOutput.Spoken(here.Outputs), read.Kit.Outputs.Sum(o => o.Format == ChannelFormat.Stereo ? 2 : 1))
            : null;
        return TypedResults.Ok(new KitFileAnswer(read.Kit, KitFromFile.Of(template, new(channel), read.Kit), read.LeftOut, jacks));
    }

    private static async Task<FormatResult<KitTable>> ReadAsync(HttpRequest request, Kit kit, StagedSounds staged, MediaStore media, CancellationToken cancellation)
    {
        if (request.HasFormContentType)
            return await LooseAsync(request, cancellation) is { } packed ? await ReadSfzAsync(packed, kit, staged, cancellation) : TooLarge;
        if (await BoundedStream.ReadAsync(request.Body, SfzReader.MostBytes, request.ContentLength, cancellation) is not { } bytes)
            return TooLarge;
        if (Begins(bytes, "PK"))
            return await ReadSfzAsync(bytes, kit, staged, cancellation);
        if (Begins(bytes, "<"))
            return MidiNameDocument.Read(bytes).As(names => new KitTable(NamedKit.Of(kit, names.Select(n => (n.Note, n.Name, n.Group))), []));
        if (Begins(bytes, "MThd"))
            return MidiReader.Read(bytes).As(midi => new KitTable(NamedKit.Of(kit, HitsOf(midi)), midi.LeftOut));
        var sounds = (await media.ListAsync(cancellation)).ToDictionary(s => s.Content, StringComparer.Ordinal);
        return KitCsv.Read(bytes, kit, sounds.GetValueOrDefault);
    }

    private static readonly FormatResult<KitTable>.Refused TooLarge = new("too-large", $"A kit's file, with its samples, may have {SfzReader.MostBytes / 1024 / 1024} MB.");

    /// <summary>An SFZ and its samples under their paths, as one file.</summary>
    /// <returns>Null where they are too many or too large together.</returns>
    private static async Task<byte[]?> LooseAsync(HttpRequest request, CancellationToken cancellation)
    {
        if (request.ContentLength > SfzReader.MostBytes)
            return null;
        try
        {
            var form = await request.ReadFormAsync(new FormOptions { MultipartBodyLengthLimit = SfzReader.MostBytes, ValueCountLimit = SfzReader.MostFiles }, cancellation);
            return await SfzFolder.PackedAsync(form.Files.Select(f => (f.FileName, f.OpenReadStream())), cancellation);
        }
        catch (InvalidDataException)
        {
            return null;
        }
    }

    /// <summary>The notes of the drum channel, or of all where it has none, by their General MIDI names.</summary>
    private static IEnumerable<(int Note, string Name, string Family)> HitsOf(MidiContent midi)
    {
        var drums = midi.Parts.Where(p => p.Channel == GeneralMidiPercussion.Channel).ToList();
        return (drums.Count > 0 ? drums : midi.Parts).SelectMany(p => p.Numbers).Distinct().Order()
            .Select(n => GeneralMidiPercussion.At(n) is { } known ? (n, known.Name, known.Family) : (n, $"Note {n}", ""));
    }

    /// <summary>The samples wait beside the shelf until an edit uses them.</summary>
    private static async Task<FormatResult<KitTable>> ReadSfzAsync(byte[] bytes, Kit kit, StagedSounds staged, CancellationToken cancellation)
    {
        var tray = staged.Tray(path => SongPackage.FileName(Path.GetFileNameWithoutExtension(path)));
        var result = await Task.Run(() => SfzReader.Read(bytes, tray, cancellation), cancellation);
        return result.As(read =>
        {
            var last = read.Pieces.Max(p => p.Output);
            // The outputs of an SFZ are pairs.
            var here = kit.Pieces.Count > 0 ? kit.Outputs : kit.Outputs.Select(o => o with { Format = ChannelFormat.Stereo });
            var outputs = here.Concat(Enumerable.Range(kit.Outputs.Count + 1, Math.Max(0, last - kit.Outputs.Count)).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo)));
            return new KitTable(kit with { Outputs = outputs.ToSequence(), Pieces = read.Pieces.Select(PieceOf).ToSequence(), Far = [] }, read.LeftOut);
        });
    }

    private static Piece PieceOf(SfzPiece piece)
    {
        var family = GeneralMidiPercussion.At(piece.Note)?.Family ?? "pads";
        var pad = Piece.Pad(piece.Name, piece.Note, family, piece.Output, SoundNames.Guess(piece.Name, family, piece.Note), piece.Pan);
        return (pad with { Layers = piece.Layers.Skip(1).Select(l => new SampleLayer(l.FromVelocity, l.Sample)).ToSequence() }).Playing(piece.Layers.Count > 0 ? piece.Layers[0].Sample : null);
    }
}
