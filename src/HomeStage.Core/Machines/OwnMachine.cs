using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Media;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Machines;

/// <summary>A machine of one's own as one batch of edits: the instrument, its kit, and its splits by a plan; of one that stands outside, its inputs.</summary>
/// <param name="Channel">The instrument, or the bus over the inputs.</param>
/// <param name="Kit">What it plays; of one that stands outside, over its outputs.</param>
/// <param name="Edits">Apply whole to the template.</param>
/// <param name="NotUnderstood">Items of the list that are no piece, and pieces that no note was left for.</param>
public sealed record OwnMachine(ChannelId Channel, Kit Kit, Sequence<Edit> Edits, Sequence<string> NotUnderstood)
{
    /// <param name="join">Makes one sound with two sides of two single ones, the left first; null where that cannot be.</param>
    public static MachineResult Of(Template template, MachineWish wish, Func<MediaRef, MediaRef, MediaRef?>? join = null)
    {
        if (wish.Sounds.Count > SoundFolder.MostSounds)
            return new MachineResult.Refused(new Refusal.OutOfRange("The number of sounds", wish.Sounds.Count, 0, SoundFolder.MostSounds, ""));
        if (!(wish.Jacks is >= 1 and <= KitRules.MostOutputs))
            return new MachineResult.Refused(new Refusal.OutOfRange("The number of jacks", wish.Jacks, 1, KitRules.MostOutputs, ""));
        if (wish.Outputs.Count > KitRules.MostOutputs)
            return new MachineResult.Refused(new Refusal.OutOfRange("The number of outputs", wish.Outputs.Count, 1, KitRules.MostOutputs, ""));
        if (wish.Brought is { } brought && KitRules.Check(brought) is { } wrong)
            return new MachineResult.Refused(wrong);
        if (wish.NotesFrom is not (null or (>= 0 and <= 127)))
            return new MachineResult.Refused(new Refusal.OutOfRange("The first note", wish.NotesFrom.Value, 0, 127, ""));
        var (kit, strange) = MachineKit.Of(wish, join ?? ((_, _) => null));
        if (kit.Pieces.Count == 0)
            return new MachineResult.Refused(wish.Sounds.Count == 0
                ? new Refusal.WrongPlace("A machine", "plays at least one piece: type some, such as “Kick, Snare, Tom 1–3”, or bring sounds or a file")
                : new Refusal.WrongPlace("No sound", "says in its name what it is: take them all as pads, or call them after what they are"));
        var plan = wish is { LeavesAsBrought: true, Brought: not null } ? FileOutputs.Plan(kit) : KitJacks.Of(kit).PlanOver(kit, wish.SplitOver);
        if (wish.FirstInput is { } firstInput)
            return OutsideBox.Of(template, wish, plan is null ? kit : KitJacks.Of(kit).LaidOut(kit, plan, [.. plan.Groups.Select(g => g.Name)]).Kit, firstInput, strange);
        var made = ChannelFactory.Make(template, new(ChannelKind.Instrument) { Name = wish.Name, Instrument = InstrumentCatalogue.OwnMachine, Under = wish.Under });
        var edits = new List<Edit> { new AddChannel(made with { Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, kit) }) };
        var whole = Batch.Apply(template, edits);
        if (whole is not BatchResult.Applied { Template: var with })
            return new MachineResult.Refused(((BatchResult.Refused)whole).Why);
        if (plan is not null)
            edits.AddRange(SplitBatch.Of(with, made.Id, plan));
        if (kit.Lines.Any(l => l.Microphone.AlsoOnFirst))
            edits.Add(OnFirstToo(template, edits, made.Id, kit));
        return new MachineResult.Made(new(made.Id, kit, edits.ToSequence(), strange));
    }

    /// <summary>A plan takes what it parts off the first output; what a file says to be there as well is put back.</summary>
    private static SetOutputs OnFirstToo(Template template, IReadOnlyList<Edit> edits, ChannelId player, Kit said)
    {
        var split = ((InstrumentSource)((BatchResult.Applied)Batch.Apply(template, edits)).Template.Channels[player].Source!).Kit!;
        return new(player, split.Rewired(l => l.Microphone with { AlsoOnFirst = said.Lines[l.Index].Microphone.AlsoOnFirst }), []);
    }
}

/// <summary>What came of a wish.</summary>
public abstract record MachineResult
{
    public sealed record Made(OwnMachine Machine) : MachineResult;

    public sealed record Refused(Refusal Why) : MachineResult;
}
