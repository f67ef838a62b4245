using HomeStage.Core.Kits;
using HomeStage.Core.Media;

namespace HomeStage.Formats.Csv;

/// <summary>A kit as a table told it.</summary>
/// <param name="LeftOut">What the table holds besides, in words.</param>
public sealed record KitTable(Kit Kit, IReadOnlyList<string> LeftOut);

/// <summary>One line of the table: a microphone with all that its piece is.</summary>
/// <param name="Note">Null for a far microphone.</param>
/// <param name="Far">Where a far microphone stands; null for a close one.</param>
internal sealed record KitRow(string Name, int? Note, string Family, FarPlace? Far, DrumSound? Voice, Microphone Microphone, MediaRef? Sample, Sequence<SampleLayer> Layers)
{
    public static IEnumerable<KitRow> Of(Kit kit)
    {
        foreach (var piece in kit.Pieces)
            foreach (var microphone in piece.Microphones)
                yield return new(piece.Name, piece.Note, piece.Family, null, piece.Sound, microphone, piece.Sample, piece.Layers);
        foreach (var far in kit.Far)
            yield return new(far.Microphone.Name, null, far.Family, far.Place, null, far.Microphone, null, []);
    }

    /// <summary>Lines with the same name and note are microphones at one piece, whose facts its first line tells.</summary>
    public static Kit Kit(IReadOnlyList<KitRow> rows, Kit current) => current with
    {
        Pieces = rows.Where(r => r.Far is null).Select((row, i) => (row, i))
            .GroupBy(x => (x.row.Name, x.row.Note, Alone: x.row.Microphone.Name.Length == 0 ? x.i : -1))
            .Select(g => Piece([.. g.Select(x => x.row)])).ToSequence(),
        Far = rows.Where(r => r.Far is not null).Select(r => new FarMicrophone(r.Family, r.Far!.Value, r.Microphone)).ToSequence(),
        Outputs = current.Outputs.Concat(Beyond(rows, current)).ToSequence(),
    };

    private static Piece Piece(KitRow[] rows) =>
        new(rows[0].Name, rows[0].Note!.Value, rows[0].Family, rows[0].Voice ?? SoundNames.Guess(rows[0].Name, rows[0].Family, rows[0].Note!.Value), rows.Select(r => r.Microphone).ToSequence(), rows[0].Sample)
        { Layers = rows[0].Layers };

    /// <summary>Outputs that the kit does not have yet.</summary>
    private static IEnumerable<KitOutput> Beyond(IReadOnlyList<KitRow> rows, Kit current)
    {
        var last = Math.Min(KitRules.MostOutputs, rows.Select(r => r.Microphone.Output).DefaultIfEmpty(1).Max());
        var width = current.Outputs.Any(o => o.Format == ChannelFormat.Stereo) ? ChannelFormat.Stereo : ChannelFormat.Mono;
        return Enumerable.Range(current.Outputs.Count + 1, Math.Max(0, last - current.Outputs.Count)).Select(number => new KitOutput($"Output {number}", width));
    }
}
