using HomeStage.Core.Kits;
using HomeStage.Core.Media;

namespace HomeStage.Core.Machines;

/// <summary>The kit that somebody wishes for: what a file brought, then what is typed, then what the sounds are, with notes for all of it.</summary>
internal static class MachineKit
{
    /// <param name="join">Makes one sound with two sides of two single ones, the left first; null where that cannot be.</param>
    /// <returns>All of it on the first output, but for what leaves as it was brought, and what was left alone, in words.</returns>
    public static (Kit Kit, Sequence<string> NotUnderstood) Of(MachineWish wish, Func<MediaRef, MediaRef, MediaRef?> join)
    {
        var (listed, folder) = (PieceList.Read(wish.List), SoundFolder.Of(wish.Sounds, wish.AllSounds));
        var brought = wish.LeavesAsBrought ? wish.Brought : wish.Brought?.Together();
        var far = (brought?.Far ?? []).Concat(listed.Far.Select(f => new FarMicrophone(f.Family, f.Place, new(f.Name, 1) { Format = f.Format }))).ToList();
        var taken = far.Select(f => f.Microphone.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        string Free(string name)
        {
            var free = Numbering.Free(name, taken.Contains);
            taken.Add(free);
            return free;
        }

        var apart = new List<string>();
        var wanted = (brought?.Pieces ?? []).Select(p => Given(p, Free(p.Name))).ToList();
        foreach (var (piece, free) in listed.Pieces.Select(p => (p, Free(p.Name))))
            wanted.Add(new(free, piece.Family, piece.Note, note => Typed(piece with { Name = free }, note)));
        foreach (var (sound, free) in folder.Pieces.Select(s => (s, Free(s.Name))))
            wanted.Add(new(free, sound.Family, null, note => Heard(sound with { Name = free }, note, join, apart)));

        var given = wanted.Select(p => p.Note).OfType<int>().ToHashSet();
        var open = wanted.Where(p => p.Note is null).ToList();
        var offered = wish.NotesFrom is { } from ? OfferedNotes.Ascending(open.Count, from, given) : OfferedNotes.ByGeneralMidi([.. open.Select(p => (p.Name, p.Family))], given);
        var notes = open.Zip(offered).ToDictionary(x => x.First.Name, x => x.Second, StringComparer.Ordinal);
        int? NoteOf(Wanted piece) => piece.Note ?? notes[piece.Name];
        var kit = new Kit(wanted.Where(p => NoteOf(p) is not null).Select(p => p.Made(NoteOf(p)!.Value)).ToSequence(), Outputs(wish).ToSequence(), wish.FirstReserved)
        {
            Far = far.ToSequence(),
            Jacks = UseOf(wish),
        };
        var noteless = wanted.Where(p => NoteOf(p) is null).Select(p => $"{p.Name}: no note is left");
        return (kit, [.. listed.NotUnderstood, .. folder.Unplaced, .. folder.Further, .. apart, .. noteless]);
    }

    /// <summary>A piece of a file; one that says nothing of its family stands in that of its name.</summary>
    private static Wanted Given(Piece piece, string name)
    {
        var family = piece.Family.Length > 0 ? piece.Family : PieceFamilies.Of(name);
        return new(name, family, piece.Note, note => piece with { Name = name, Note = note, Family = family });
    }

    private static Piece Heard(SoundFolder.SoundPiece sound, int note, Func<MediaRef, MediaRef, MediaRef?> join, List<string> apart)
    {
        var layers = new List<SampleLayer>();
        foreach (var layer in sound.Layers)
        {
            var joined = layer.Right is { } right ? join(layer.Sound, right) : layer.Sound;
            if (joined is null)
                apart.Add($"{layer.Right!.Title}: could not be joined with {layer.Sound.Title}, which plays alone");
            layers.Add(new(layer.FromVelocity, joined ?? layer.Sound));
        }

        var pad = Piece.Pad(sound.Name, note, sound.Family, 1, SoundNames.Guess(sound.Name, sound.Family, note));
        return (pad with { Layers = layers.Skip(1).ToSequence() }).Playing(layers[0].Sample);
    }

    private static Piece Typed(PieceList.ListedPiece piece, int note)
    {
        var pad = Piece.Pad(piece.Name, note, piece.Family, 1, SoundNames.Guess(piece.Name, piece.Family, note), format: piece.Format);
        return piece.Microphones.Count == 0 ? pad : pad with { Microphones = piece.Microphones.Select(m => pad.Microphones[0] with { Name = m }).ToSequence() };
    }

    /// <summary>A piece that is still without a note, and how it is made once it has one.</summary>
    private sealed record Wanted(string Name, string Family, int? Note, Func<int, Piece> Made);

    /// <returns>Null for as the outputs show.</returns>
    private static JackUse? UseOf(MachineWish wish) =>
        wish is { LeavesAsBrought: true, Brought: not null, InPairs: false } ? null
        : wish is { LeavesAsBrought: false, Outputs.Count: > 0 } ? wish.Use
        : !wish.InPairs ? JackUse.Singles
        : wish.MonoSharesPairs ? JackUse.Halves : JackUse.Pairs;

    private static IEnumerable<KitOutput> Outputs(MachineWish wish) =>
        (wish is { LeavesAsBrought: true, Brought: { } brought } ? FileOutputs.Of(brought, wish.InPairs, wish.FirstReserved)
            : wish.Outputs.Count > 0 ? wish.Outputs : KitOutput.Row(wish.Jacks, wish.InPairs, wish.FirstReserved))
            .Select((o, i) => i < wish.OutputNames.Count && !string.IsNullOrWhiteSpace(wish.OutputNames[i]) ? o with { Name = wish.OutputNames[i] } : o);
}
