namespace HomeStage.Core.Kits;

/// <summary>The kit that a list of named notes makes.</summary>
public static class NamedKit
{
    /// <summary>Every named note is a piece; one that was there keeps all but its name, one that was not stands on the first output; pieces on other
    /// notes go.</summary>
    /// <param name="names">By note, at least one; an empty family keeps what is known.</param>
    public static Kit Of(Kit kit, IEnumerable<(int Note, string Name, string Family)> names)
    {
        var (pieces, taken) = (new List<Piece>(), new HashSet<string>(StringComparer.OrdinalIgnoreCase));
        foreach (var (note, name, family) in names.Take(KitRules.MostPieces))
        {
            var free = taken.Add(name) ? name : Numbering.Next(name, taken.Contains);
            taken.Add(free);
            pieces.Add(kit.Pieces.FirstOrDefault(p => p.Note == note) is { } there
                ? there with { Name = free, Family = family.Length > 0 ? family : there.Family }
                : Piece.Pad(free, note, family.Length > 0 ? family : GeneralMidiPercussion.At(note)?.Family ?? "", 1, SoundNames.Guess(name, family, note)));
        }

        return kit with { Pieces = pieces.ToSequence() };
    }
}
