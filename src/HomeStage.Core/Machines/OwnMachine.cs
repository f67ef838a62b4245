using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Machines;

/// <summary>A machine of one's own as one batch of edits: the instrument, its kit, and its splits by a plan.</summary>
/// <param name="Edits">Apply whole to the template.</param>
/// <param name="NotUnderstood">Items of the list that are no piece, and pieces that no note was left for.</param>
public sealed record OwnMachine(ChannelId Channel, Kit Kit, Sequence<Edit> Edits, Sequence<string> NotUnderstood)
{
    public static MachineResult Of(Template template, MachineWish wish)
    {
        if (!(wish.Jacks is >= 1 and <= KitRules.MostOutputs))
            return new MachineResult.Refused(new Refusal.OutOfRange("The number of jacks", wish.Jacks, 1, KitRules.MostOutputs, ""));
        if (wish.NotesFrom is not (null or (>= 0 and <= 127)))
            return new MachineResult.Refused(new Refusal.OutOfRange("The first note", wish.NotesFrom.Value, 0, 127, ""));
        var (kit, strange) = KitOf(wish);
        if (kit.Pieces.Count == 0)
            return new MachineResult.Refused(new Refusal.Missing("piece", "", "in the list; type one, such as “Kick, Snare, Tom 1–3”"));
        var made = ChannelFactory.Make(template, new(ChannelKind.Instrument) { Name = wish.Name, Instrument = InstrumentCatalogue.OwnMachine, Under = wish.Under });
        var edits = new List<Edit> { new AddChannel(made with { Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, kit) }) };
        if (Batch.Apply(template, edits) is not BatchResult.Applied { Template: var with })
            return new MachineResult.Refused(((BatchResult.Refused)Batch.Apply(template, edits)).Why);
        if (wish.SplitOver != 0 && KitJacks.Of(kit) is { Outputs: > 0 } jacks && jacks.Plans(kit) is PlanResult.Planned { Plans: { Count: > 0 } plans })
            edits.AddRange(SplitBatch.Of(with, made.Id, plans.LastOrDefault(p => p.Outputs <= (wish.SplitOver ?? KitRules.MostOutputs)) ?? plans[0]));
        return new MachineResult.Made(new(made.Id, kit, edits.ToSequence(), strange));
    }

    /// <summary>All of it on the first output.</summary>
    private static (Kit Kit, Sequence<string> Strange) KitOf(MachineWish wish)
    {
        var listed = PieceList.Read(wish.List);
        var given = listed.Pieces.Select(p => p.Note).OfType<int>().ToHashSet();
        var open = listed.Pieces.Where(p => p.Note is null).ToList();
        var offered = wish.NotesFrom is { } from ? OfferedNotes.Ascending(open.Count, from, given) : OfferedNotes.ByGeneralMidi([.. open.Select(p => (p.Name, p.Family))], given);
        var notes = open.Zip(offered).ToDictionary(x => x.First.Name, x => x.Second, StringComparer.Ordinal);
        int? NoteOf(PieceList.ListedPiece piece) => piece.Note ?? notes[piece.Name];
        var outputs = Outputs(wish).ToSequence();
        var kit = new Kit(listed.Pieces.Where(p => NoteOf(p) is not null).Select(p => Made(p, NoteOf(p)!.Value)).ToSequence(), outputs, wish.FirstReserved)
        {
            Far = listed.Far.Select(f => new FarMicrophone(f.Family, f.Place, new(f.Name, 1) { Format = f.Format })).ToSequence(),
            Jacks = !wish.InPairs ? JackUse.Singles : wish.MonoSharesPairs ? JackUse.Halves : JackUse.Pairs,
        };
        return (kit, listed.NotUnderstood.Concat(listed.Pieces.Where(p => NoteOf(p) is null).Select(p => $"{p.Name}: no note is left")).ToSequence());
    }

    private static Piece Made(PieceList.ListedPiece piece, int note)
    {
        var pad = Piece.Pad(piece.Name, note, piece.Family, 1, SoundNames.Guess(piece.Name, piece.Family, note), format: piece.Format);
        return piece.Microphones.Count == 0 ? pad : pad with { Microphones = piece.Microphones.Select(m => pad.Microphones[0] with { Name = m }).ToSequence() };
    }

    private static IEnumerable<KitOutput> Outputs(MachineWish wish)
    {
        var (number, left) = (0, wish.Jacks);
        while (left > 0)
        {
            var wide = wish.InPairs && left >= 2;
            var name = number < wish.OutputNames.Count && !string.IsNullOrWhiteSpace(wish.OutputNames[number]) ? wish.OutputNames[number]
                : number == 0 && wish.FirstReserved ? "The rest" : $"Output {number + 1}";
            yield return new(name, wide ? ChannelFormat.Stereo : ChannelFormat.Mono);
            number++;
            left -= wide ? 2 : 1;
        }
    }
}

/// <summary>What came of a wish.</summary>
public abstract record MachineResult
{
    public sealed record Made(OwnMachine Machine) : MachineResult;

    public sealed record Refused(Refusal Why) : MachineResult;
}
