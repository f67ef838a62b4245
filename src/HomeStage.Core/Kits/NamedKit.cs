namespace HomeStage.Core.Kits;

/// <summary>A kit under other names.</summary>
public static class NamedKit
{
    /// <summary>Pieces that are there take the names and keep everything else; notes without a piece get one on the first output; what is not named stays.</summary>
    /// <param name="names">By note; an empty family keeps what is known.</param>
    public static Kit Of(Kit kit, IEnumerable<(int Note, string Name, string Family)> names)
    {
        var pieces = kit.Pieces.ToList();
        foreach (var (note, name, family) in names)
        {
            var place = pieces.FindIndex(p => p.Note == note);
            var free = Free(name, pieces.Where((_, i) => i != place));
            if (place >= 0)
                pieces[place] = pieces[place] with { Name = free, Family = family.Length > 0 ? family : pieces[place].Family };
            else if (pieces.Count < KitRules.MostPieces)
                pieces.Add(Piece.Pad(free, note, FamilyAt(note, family), 1, SoundNames.Guess(name, family, note)));
        }

        return kit with { Pieces = pieces.ToSequence() };
    }

    private static string FamilyAt(int note, string said) => said.Length > 0 ? said : GeneralMidiPercussion.At(note)?.Family ?? "";

    private static string Free(string name, IEnumerable<Piece> others)
    {
        var taken = others.Select(p => p.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return taken.Contains(name) ? Numbering.Next(name, taken.Contains) : name;
    }
}
