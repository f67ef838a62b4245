using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Templates;

/// <summary>Patches, openings, roles, what waits, sampling: what is kept, and what is refused with which code.</summary>
public class PartsTests
{
    private static readonly ChannelId Player = new("t");
    private static readonly ChannelId Sum = new("b");
    private static readonly Template Stage = OneBar(Tone("t", "mix-bus"), Bus("b", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor)));
    private static readonly MediaRef Sound = new(new string('f', 64), "Sound", 48000, 2, 10);

    public static TheoryData<Edit, string> Refused() => new()
    {
        { new SetRole(Player, "conductor"), "missing" },
        { new PutPatch(new("theremin", "Any", Map<double>.Empty)), "missing" },
        { new PutPatch(new(InstrumentCatalogue.Undertow, "Beyond", Map<double>.Empty.With("cutoff-hz", 1e6))), "out-of-range" },
        { new PutPatch(new(InstrumentCatalogue.Undertow, "", Map<double>.Empty)), "bad-text" },
        { new RemovePatch(InstrumentCatalogue.Undertow, "Nobody's"), "missing" },
        { new SetSettings(Player, null, Map<double>.Empty.With("no-such", 1)), "missing" },
        { new SetSettings(Sum, new("gone"), Map<double>.Empty), "unknown-insert" },
        { new SetSettings(Sum, null, Map<double>.Empty), "wrong-place" },
        { new SetOpening(new(null, [], null, 0)), "out-of-range" },
        { new SetSampling(22050, PanLaw.Linear), "out-of-range" },
        { new SetGroove(Player, "Unknown"), "missing" },
        { new SetGroove(Sum, null), "" },
        { new SetNoteProcessors(Player, [new Transpose(49)]), "out-of-range" },
        { new SetNoteProcessors(Player, [new ChosenNotes([])]), "out-of-range" },
        { new SetNoteProcessors(Player, [new ChosenNotes([36, 128])]), "out-of-range" },
        { new SetNoteProcessors(Player, [new ChosenNotes([36, 36])]), "doubled" },
        { new SetNoteProcessors(Player, [new StepPattern(240, [])]), "out-of-range" },
        { new SetNoteProcessors(Player, [new Arpeggio(ArpeggioOrder.Up, 0)]), "out-of-range" },
        { new SetNoteProcessors(Sum, [new Transpose(1)]), "wrong-place" },
        { new SetNoteInput(Sum, new()), "wrong-place" },
        { new SetNoteInput(Player, new() { Layers = [Player] }), "wrong-place" },
        { new SetNoteInput(Player, new() { PadMap = [new(1, 2), new(1, 3)] }), "doubled" },
        { new SetNoteInput(Player, new() { Controllers = [new(200, "Far")] }), "out-of-range" },
        { new SetPrintTwin(Player, Sum), "wrong-place" },
        { new SetPrintTwin(Sum, null), "" },
        { new SetSpare(Sum, true), "wrong-place" },
        { new PutStarter(Sum, new("S", Sound, true, new(0), [])), "wrong-place" },
        { new RemoveStarter(Sum, "None"), "missing" },
        { new SetWaitsFor(Sum, new("comp"), new(WaitReason.Person, new string('x', 81))), "bad-text" },
        { new SetDestination(Player, Player), "wrong-place" },
        { new NameChannels([], "Any #"), "missing" },
        { new NameChannels([Player], "Any #", -1), "out-of-range" },
        { new BusAround([Player], Sum, "Taken"), "channel-exists" },
        { new DuplicateChannels([EmptyStage.Main]), "doubled" },
        { new AddPrintTwin(Sum), "wrong-place" },
    };

    /// <summary>Without a code the edit can be made.</summary>
    [Theory]
    [MemberData(nameof(Refused))]
    public void Edit_ThatCannotBe_IsRefusedWithItsCode(Edit edit, string code)
    {
        switch (Batch.Apply(Stage, [edit]))
        {
            case BatchResult.Refused refused:
                Assert.Equal(code, refused.Why.Code);
                Assert.EndsWith(".", refused.Why.Sentence, StringComparison.Ordinal);
                break;
            default:
                Assert.Equal("", code);
                break;
        }
    }

    [Fact]
    public void SetSettings_WithAPatch_TurnsEverythingAndRemembersItsName()
    {
        var settings = Map<double>.Empty.With("tone-hz", 250);

        var source = (InstrumentSource)Stage.With(new SetSettings(Player, null, settings, "Low")).Channels[Player].Source!;

        Assert.Equal((settings, "Low"), (source.Settings, source.Patch));
    }

    [Fact]
    public void Role_ThatAPersonSays_HoldsWhateverTheName()
    {
        var said = Stage.With(new RenameChannel(Player, "Kick"), new SetRole(Player, "lead-voice")).Channels[Player];

        Assert.Equal(("lead-voice", "voices", 1.0), (ChannelRole.Of(said).Role, ChannelRole.Of(said).Family, ChannelRole.Of(said).Confidence));
    }

    [Theory]
    [InlineData("Zzyx", "synth-lead")]
    [InlineData("Snare", "snare")]
    public void Role_OfAnInstrumentWhoseNameTellsNothing_IsItsInstruments(string name, string role)
    {
        Assert.Equal(role, ChannelRole.Of(Stage.With(new RenameChannel(Player, name)).Channels[Player]).Role);
    }

    [Fact]
    public void Media_IsKnownByItsContent_InHexadecimal()
    {
        var audio = OneBar(new AddChannel(new() { Id = new("a"), Name = "A", Kind = ChannelKind.Audio }));
        PutStarter Laid(MediaRef sound) => new(new("a"), new("S", sound, true, new(0), []));

        Assert.Single(audio.With(Laid(Sound)).Channels[new ChannelId("a")].Starters);
        Assert.Equal("wrong-place", audio.RefusalOf(Laid(Sound with { Content = "../../etc" })).Code);
        Assert.Equal("out-of-range", audio.RefusalOf(Laid(Sound with { SampleRateHz = 1000 })).Code);
        Assert.Equal("wrong-place", audio.RefusalOf(Laid(Sound with { Lanes = 6 })).Code);
    }

    [Fact]
    public void SetStage_OfAnAddedPrint_LeavesTheInstrumentWhereItIs()
    {
        var template = Stage.With(new AddPrintTwin(Player), new SetStage(new("t-print"), InMix, StageState.OnStage));

        Assert.Equal(StageState.OnStage, template.Channels[Player].StageIn(InMix));
        Assert.Equal(Player, ((InternalSource)template.Channels[new ChannelId("t-print")].Source!).From);
    }

    [Fact]
    public void Patch_OfAnInsert_CarriesItsKeyFilterAndItsCurve_AndLeavesWhatIsSwitchedAndFed()
    {
        var bus = new ChannelId("pumped");
        var made = new AddChannel(new() { Id = bus, Name = "Pumped", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus, Inserts = [new(new("keyed"), "compressor") { Settings = Map<double>.Empty.With("ratio", 8), Key = new(true, 60, 900) }, new(new("plain"), "compressor") { Key = new(false) }] });
        var stage = EmptyStage.Create("Slate").With(made, new KeepPatch(bus, new InsertId("keyed"), "Thump"));

        var after = stage.With(new TakePatch(bus, new InsertId("plain"), "Thump"));

        var plain = after.Channels[bus].Inserts[1];
        Assert.Equal((8.0, new KeyInput(false, 60, 900)), (plain.Settings["ratio"], plain.Key));
        Assert.Equal(stage, after.With(((EditResult.Applied)new TakePatch(bus, new InsertId("plain"), "Thump").ApplyTo(stage)).Inverse));
        Assert.IsType<EditResult.Refused>(new TakePatch(bus, new InsertId("plain"), "No such").ApplyTo(stage));
        Assert.Equal("wrong-place", ((EditResult.Refused)new PutPatch(new Patch("limiter", "Odd", Map<double>.Empty) { Curve = [new(0, 1), new(1, 0)] }).ApplyTo(stage)).Why.Code);
    }

    [Fact]
    public void Patch_OfADucker_TakesItsCurveAlong_AndNotWhatRestartsIt()
    {
        var (one, other) = (new Insert(new("one"), NoteDucker) { Trigger = new([EmptyStage.MixBus], null, [new(0, 1), new(0.4, 0.2), new(1, 0)]) }, new Insert(new("other"), NoteDucker) { Trigger = new([], 2, [new(0, 1), new(1, 0)]) });

        var taken = Patch.FromInsert(one, "Any").On(other);

        Assert.Equal((2.0, one.Trigger.Curve), (taken.Trigger!.EveryQuarters!.Value, taken.Trigger.Curve));
        Assert.Empty(taken.Trigger.Notes);
    }

    private static readonly string NoteDucker = ProcessorCatalogue.All.Single(p => p.HasTrigger).Id;
}
