namespace HomeStage.Core.Kits;

/// <summary>What a kit is given more of, as it begins: names and notes that are free, on the first output.</summary>
public static class KitDrafts
{
    private const int LowestNote = 36;
    private const int Notes = 128;

    private static readonly string[] Places = ["beside", "below", "inside", "outside", "back", "edge"];

    public static Piece NewPiece(Kit kit) => Piece.Pad(FreeName(kit, "Piece"), FreeNote(kit), "", 1, DrumSound.RimClick);

    /// <summary>A pair far down the hall.</summary>
    public static FarMicrophone NewFar(Kit kit) => FarMicrophone.Stereo(FreeName(kit, "Room"), "drums/rooms", 1, FarPlace.Hall);

    /// <summary>A pair where any output is one.</summary>
    public static KitOutput NewOutput(Kit kit) => new(FreeName(kit, "Output"), kit.Outputs.Any(o => o.Format == ChannelFormat.Stereo) ? ChannelFormat.Stereo : ChannelFormat.Mono);

    /// <summary>The piece with one more microphone, like its first; the first two get names to tell them by.</summary>
    public static Piece WithAnotherMicrophone(Piece piece)
    {
        Sequence<Microphone> there = piece.Microphones is [{ Name: "" } only] ? [only with { Name = "close" }] : piece.Microphones;
        bool IsTaken(string name) => there.Any(m => m.Name == name);
        return piece with { Microphones = [.. there, there[0] with { Name = Places.FirstOrDefault(p => !IsTaken(p)) ?? Numbering.Next(Places[0], IsTaken) }] };
    }

    /// <summary>The piece without one of its microphones; one that is left alone needs no name.</summary>
    public static Piece WithoutMicrophone(Piece piece, string name)
    {
        var left = piece.Microphones.Where(m => m.Name != name).ToSequence();
        return left.Count == 0 ? piece : piece with { Microphones = left is [var only] ? [only with { Name = "" }] : left };
    }

    private static string FreeName(Kit kit, string stem)
    {
        var taken = kit.Lines.Select(l => l.Name).Concat(kit.Pieces.Select(p => p.Name)).Concat(kit.Outputs.Select(o => o.Name)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return Numbering.Next($"{stem} 0", taken.Contains);
    }

    /// <summary>The next from the lowest of the usual notes up, going round; the lowest where none is free.</summary>
    private static int FreeNote(Kit kit)
    {
        var taken = kit.Pieces.Select(p => p.Note).ToHashSet();
        return Enumerable.Range(0, Notes).Select(i => (LowestNote + i) % Notes).FirstOrDefault(n => !taken.Contains(n), LowestNote);
    }
}
