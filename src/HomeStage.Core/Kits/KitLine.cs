namespace HomeStage.Core.Kits;

/// <summary>One way out of a kit: what a machine plays, a microphone at a drum, or one that hears all of them. Plans, splits and swaps
/// are about these.</summary>
/// <param name="Index">Its place among the kit's lines, from 0.</param>
/// <param name="Name">Of the piece, with that of the microphone where there are several: "Snare bottom".</param>
/// <param name="Family">Of the piece; where several microphones stand at it, the piece is a family of its own.</param>
/// <param name="Piece">What it stands at; null for a far microphone.</param>
public sealed record KitLine(int Index, string Name, string Family, Piece? Piece, Microphone Microphone)
{
    public int Output => Microphone.Output;

    /// <summary>Whether it leaves by an output, alone or beside another.</summary>
    public bool SoundsOn(int output) => Microphone.SoundsOn().Contains(output);

    internal static IEnumerable<KitLine> Of(Kit kit)
    {
        var index = 0;
        foreach (var piece in kit.Pieces)
            foreach (var microphone in piece.Microphones)
                yield return new(index++, NameOf(piece, microphone), FamilyOf(piece), piece, microphone);
        foreach (var far in kit.Far)
            yield return new(index++, far.Microphone.Name, far.Family, null, far.Microphone);
    }

    private static string NameOf(Piece piece, Microphone microphone) => microphone.Name.Length == 0 ? piece.Name : $"{piece.Name} {microphone.Name}";

    private static string FamilyOf(Piece piece) =>
        piece.Microphones.Count == 1 ? piece.Family : string.Join('/', [.. FamilyTree.Parts(piece.Family), piece.Name.Replace('/', ' ')]);
}
