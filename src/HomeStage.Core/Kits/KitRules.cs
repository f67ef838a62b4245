namespace HomeStage.Core.Kits;

/// <summary>What a kit must keep to.</summary>
public static class KitRules
{
    public const int MostPieces = 128;
    public const int MostOutputs = 64;

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(Kit kit)
    {
        if (!(kit.Pieces.Count is >= 1 and <= MostPieces))
            return new Refusal.OutOfRange("The number of pieces", kit.Pieces.Count, 1, MostPieces, "");
        if (!(kit.Outputs.Count is >= 1 and <= MostOutputs))
            return new Refusal.OutOfRange("The number of outputs", kit.Outputs.Count, 1, MostOutputs, "");
        return kit.Outputs.Select(o => TextRules.Name("An output's name", o.Name)).FirstOrDefault(r => r is not null)
            ?? kit.Pieces.Select(p => CheckPiece(kit, p)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(kit.Pieces.Select(p => p.Name), "piece")
            ?? Doubles.Check(kit.Struck.Select(p => $"{p.Note}"), "piece on note");
    }

    private static Refusal? CheckPiece(Kit kit, Piece piece)
    {
        if (piece.Note is not (null or >= 0 and <= 127))
            return new Refusal.OutOfRange($"The note of {piece.Name}", piece.Note.Value, 0, 127, "");
        if ((piece.Note is null || piece.Sound is null) != (piece.Hears != Microphone.Close))
            return new Refusal.WrongPlace(piece.Name, piece.Hears == Microphone.Close ? "needs a note and a voice" : "is a far microphone, which no note plays");
        if (!(piece.Importance is >= 1 and <= Piece.MostImportance))
            return new Refusal.OutOfRange($"The importance of {piece.Name}", piece.Importance, 1, Piece.MostImportance, "");
        if (!(piece.Output >= 1 && piece.Output <= kit.Outputs.Count))
            return new Refusal.OutOfRange($"The output of {piece.Name}", piece.Output, 1, kit.Outputs.Count, "");
        if (!(piece.Pan >= -1 && piece.Pan <= 1))
            return new Refusal.OutOfRange($"The pan of {piece.Name}", piece.Pan, -1, 1, "");
        if (piece.Sample?.Check() is { } badSample)
            return badSample;
        if (piece.Layers.Count > 0 && piece.Sample is null)
            return new Refusal.WrongPlace(piece.Name, "has sounds for harder strokes and none for the softest");
        if (piece.Layers.Select(l => l.Sample.Check()).FirstOrDefault(r => r is not null) is { } badLayer)
            return badLayer;
        if (piece.Layers.Select(l => l.FromVelocity).Prepend(1).Append(128).ToList() is var steps && steps.Zip(steps.Skip(1)).Any(s => s.Second <= s.First))
            return new Refusal.WrongPlace(piece.Name, "has layers whose velocities do not rise from 2 to 127");
        return TextRules.Name("A piece's name", piece.Name) ?? TextRules.Note($"The family of {piece.Name}", piece.Family, TextRules.LongestName);
    }
}
