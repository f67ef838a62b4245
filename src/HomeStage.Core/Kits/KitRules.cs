namespace HomeStage.Core.Kits;

/// <summary>What a kit must keep to.</summary>
public static class KitRules
{
    public const int MostPieces = 128;
    public const int MostOutputs = 64;

    /// <summary>At one piece.</summary>
    public const int MostMicrophones = 8;

    /// <summary>Microphones of all pieces and far ones together.</summary>
    public const int MostLines = 192;

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(Kit kit)
    {
        if (!(kit.Pieces.Count is >= 1 and <= MostPieces))
            return new Refusal.OutOfRange("The number of pieces", kit.Pieces.Count, 1, MostPieces, "");
        if (!(kit.Outputs.Count is >= 1 and <= MostOutputs))
            return new Refusal.OutOfRange("The number of outputs", kit.Outputs.Count, 1, MostOutputs, "");
        return kit.Outputs.Select(o => TextRules.Name("An output's name", o.Name)).FirstOrDefault(r => r is not null)
            ?? kit.Pieces.Select(CheckPiece).FirstOrDefault(r => r is not null)
            ?? kit.Far.Select(f => TextRules.Name("A far microphone's name", f.Microphone.Name) ?? TextRules.Note($"The family of {f.Microphone.Name}", f.Family, TextRules.LongestName)).FirstOrDefault(r => r is not null)
            ?? CheckLines(kit)
            ?? CheckWhole(kit)
            ?? Doubles.Check(kit.Pieces.Select(p => p.Name), "piece")
            ?? Doubles.Check(kit.Pieces.Select(p => $"{p.Note}"), "piece on note");
    }

    private static Refusal? CheckLines(Kit kit)
    {
        var lines = kit.Lines;
        if (lines.Count > MostLines)
            return new Refusal.OutOfRange("The number of pieces and microphones", lines.Count, 1, MostLines, "");
        return lines.Select(l => CheckLine(kit, l)).FirstOrDefault(r => r is not null) ?? Doubles.Check(lines.Select(l => l.Name), "microphone");
    }

    private static Refusal? CheckLine(Kit kit, KitLine line)
    {
        var microphone = line.Microphone;
        if (!(microphone.Importance is >= 1 and <= Microphone.MostImportance))
            return new Refusal.OutOfRange($"The importance of {line.Name}", microphone.Importance, 1, Microphone.MostImportance, "");
        if (!(microphone.Output >= 1 && microphone.Output <= kit.Outputs.Count))
            return new Refusal.OutOfRange($"The output of {line.Name}", microphone.Output, 1, kit.Outputs.Count, "");
        if (!(microphone.Pan >= -1 && microphone.Pan <= 1))
            return new Refusal.OutOfRange($"The pan of {line.Name}", microphone.Pan, -1, 1, "");
        if (microphone.NeighboursDb is { } heard && !(heard >= Microphone.LeastOfNeighboursDb && heard <= Microphone.MostOfNeighboursDb))
            return new Refusal.OutOfRange($"What {line.Name} hears of its neighbours", heard, Microphone.LeastOfNeighboursDb, Microphone.MostOfNeighboursDb, "dB");
        if (line.Piece is null && microphone.NeighboursDb is not null)
            return new Refusal.WrongPlace(line.Name, "is a far microphone, which hears every piece alike");
        return TextRules.Name("A microphone's name", line.Name)
            ?? (microphone.Together is { } word ? TextRules.Name($"What {line.Name} is kept together by", word) : null);
    }

    private static Refusal? CheckWhole(Kit kit) =>
        kit.Whole.Count > MostPieces ? new Refusal.OutOfRange("The number of families kept whole", kit.Whole.Count, 0, MostPieces, "")
        : kit.Whole.Select(f => TextRules.Name("A family that is kept whole", f)).FirstOrDefault(r => r is not null) ?? Doubles.Check(kit.Whole, "family kept whole");

    private static Refusal? CheckPiece(Piece piece)
    {
        if (piece.Note is not (>= 0 and <= 127))
            return new Refusal.OutOfRange($"The note of {piece.Name}", piece.Note, 0, 127, "");
        if (!(piece.Microphones.Count is >= 1 and <= MostMicrophones))
            return new Refusal.OutOfRange($"The number of microphones at {piece.Name}", piece.Microphones.Count, 1, MostMicrophones, "");
        if (piece.Microphones.Count > 1 && piece.Microphones.Any(m => m.Name.Length == 0))
            return new Refusal.WrongPlace(piece.Name, "has several microphones, so each needs a name");
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
