using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

/// <summary>Chains, devices, patches, copies of the shelf and what else belongs to a template, as the history says it.</summary>
public class PartWordsTests
{
    private static readonly InsertId Comp = new("comp");
    private static readonly ChannelId Keys = new("keys");
    private static readonly ChannelId Organ = new("organ");
    private static readonly NoteTrigger Duck = NoteTrigger.Plain with { EveryQuarters = null };
    private static readonly MediaRef Rain = new(new('a', 64), "Rain", 48000, 1, 48000);

    private static readonly Template Said = OneBar(
        Return("echo", "mix-bus"), Bus("keys", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor) with { Device = new("Old Winch") }, Insert("eq", ProcessorCatalogue.Equaliser), Insert("duck", ProcessorCatalogue.Ducker)),
        Tone("organ", "keys"), Tone("piano", "keys"),
        new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }),
        new PutChain(Keys, new("rust", "Rust", [Comp, new("eq")]) { Controls = [new("bite", "Bite", 0.25, [])] }),
        new PutPatch(new(ProcessorCatalogue.Compressor, "Warm", Map<double>.Empty)),
        new PutShape(Keys, new(new LevelTarget(), "song", [new(0, -6), new(1, 0)])),
        new PutStarter(new("voice"), new("Rain", Rain, false, new(0), [])),
        new PutLever(new("lift", "Lift", 0, [new(Keys, new LevelTarget(), -12, 0)])),
        new PutShelfCopy(new(ShelfKind.Strip, "keys", "item", 1, Map<string>.Empty)),
        new PutAside(new(new() { Id = new("away"), Name = "Away", Kind = ChannelKind.Split, Source = new OutputSource(Organ, 2) }, ["Kick"], ["36"], [])),
        new PutAside(new(new() { Id = new("home"), Name = "Home", Kind = ChannelKind.Split, Source = new OutputSource(Organ, 2) }, ["Rim"], ["37"], []) { Stays = true }),
        new SetParent(new("parent", "Blue hour", 3)));

    public static TheoryData<Edit, string> Sentences() => new()
    {
        { new AddInsert(Keys, Insert("gate", ProcessorCatalogue.Gate)), "Bus keys has a new gate" },
        { new AddInsert(Keys, Insert("gate", ProcessorCatalogue.Gate) with { Device = new("Tin Door") }), "Bus keys has a new Tin Door" },
        { new MakeInsert(Keys, ProcessorCatalogue.Gate), "Bus keys has a new gate" },
        { new MakeInsert(Keys, ProcessorCatalogue.Gate, null, new("Tin Door")), "Bus keys has a new Tin Door" },
        { new ReplaceInsert(Keys, Comp, ProcessorCatalogue.Limiter), "Bus keys: limiter in the place of the Old Winch" },
        { new RemoveInsert(Keys, Comp), "Bus keys loses its Old Winch" },
        { new SwitchInsert(Keys, Comp, false), "Bus keys: the Old Winch is on" },
        { new StandAlike([Organ], Keys, Comp, null, true), "Tone organ: the Old Winch on" },
        { new StandAlike([Organ], Keys, Comp, null, false), "Tone organ: the Old Winch off in every act" },
        { new StandAlike([Organ], Keys, Comp, "mix", true), "Tone organ: the Old Winch live in Mix" },
        { new SetAlike([Organ, new("piano")], Keys, Comp), "Tone organ, Tone piano: the Old Winch set as on Bus keys" },
        { new SetAlike([Organ], Keys, Comp, "ratio"), "Tone organ: ratio of the Old Winch set as on Bus keys" },
        { new PutChain(Keys, new("rust", "Dust", [Comp])), "Bus keys: the chain Dust is of 1 insert and 0 controls" },
        { new RemoveChain(Keys, "rust"), "Bus keys: the chain Rust is taken apart" },
        { new TurnChain(Keys, "rust", "bite", 0.5), "Bus keys, Rust: Bite 25 → 50 %" },
        { new SetSettings(Keys, Comp, Map<double>.Empty), "Bus keys: the Old Winch is set anew" },
        { new SetSettings(Organ, null, Map<double>.Empty), "Tone organ: its instrument is set anew" },
        { new SetSettings(Organ, null, Map<double>.Empty, "Reeds"), "Tone organ starts from the patch Reeds" },
        { new KeepForAutomation(Keys, Comp, true), "Bus keys: the Old Winch is kept for automation" },
        { new KeepForAutomation(Keys, Comp, false), "Bus keys: the Old Winch is kept for automation no more" },
        { new NoteInsert(Keys, Comp, null, "Hot"), "Bus keys: a note on the Old Winch" },
        { new NoteInsert(Keys, Comp, "ratio", ""), "Bus keys: no note on ratio of the Old Winch any more" },
        { new SetTrigger(Keys, new("duck"), null), "Bus keys: the ducker by notes follows the plain curve on every quarter" },
        { new SetTrigger(Keys, new("duck"), Duck), "Bus keys: the ducker by notes is restarted by nothing" },
        { new SetTrigger(Keys, new("duck"), Duck with { EveryQuarters = 0.5, Notes = [Organ], Numbers = [36, 38] }), "Bus keys: the ducker by notes is restarted by Tone organ, every 0.5 quarters, by notes 36, 38 alone" },
        { new PutShape(Keys, new(new SendTarget(new("echo")), "song", [new(0, 0), new(1, 0)])), "Bus keys: a curve of its send to Return echo over Song" },
        { new RemoveShape(Keys, new LevelTarget(), "song"), "Bus keys: no curve of its level over Song any more" },
        { new RemoveShape(Keys, new InsertTarget(new("gone"), "ratio"), "song"), "Bus keys: no curve of its lost value over Song any more" },

        { new SetDevice(Keys, Comp, new("Old Winch") { Preset = "Slow" }), "Bus keys: what is known of Old Winch is changed" },
        { new SetDevice(Keys, Comp, new("Tin Door")), "Bus keys: Tin Door takes the place of Old Winch" },
        { new SetDevice(Keys, Comp, null), "Bus keys: compressor stands in for Old Winch no more" },
        { new SetStandIn(Keys, Comp, ProcessorCatalogue.Through), "Bus keys: Old Winch is heard through nothing" },
        { new KeepPatch(Keys, Comp, "Warm"), "Bus keys: its settings of Old Winch are kept as the patch Warm" },
        { new KeepPatch(Organ, null, "Reeds"), "Tone organ: its settings are kept as the patch Reeds" },
        { new TakePatch(Keys, Comp, "Warm"), "Bus keys: Old Winch takes the patch Warm" },
        { new TakePatch(Organ, null, "Reeds"), "Tone organ starts from the patch Reeds" },
        { new PutStarter(new("voice"), new("Rain", Rain, true, new(0), [])), "Voice: the sound Rain is changed" },
        { new PutStarter(new("voice"), new("Hail", Rain, false, new(0), [])), "Voice has the sound Hail" },
        { new RemoveStarter(new("voice"), "Rain"), "Voice loses the sound Rain" },
        { new SetNoteInput(Organ, null), "Tone organ is played by any device" },
        { new SetNoteInput(Organ, new() { Device = "Desk" }), "Tone organ: how it is played is changed" },
        { new SetNoteProcessors(Organ, []), "Tone organ: its notes pass through nothing" },
        { new SetNoteProcessors(Organ, [new Transpose(3)]), "Tone organ: its notes pass through 1 processor" },
        { new SetNoteProcessors(Organ, [new Transpose(3), new Transpose(4)]), "Tone organ: its notes pass through 2 processors" },
        { new SetSource(new("voice"), new InternalSource(Keys, TapPoint.Pre, true)), "Voice takes what Bus keys plays, before the fader, armed instead of nothing" },

        { new PutPatch(new(ProcessorCatalogue.Compressor, "Warm", Map<double>.Empty)), "The patch Warm is changed" },
        { new PutPatch(new(ProcessorCatalogue.Limiter, "Warm", Map<double>.Empty)), "The patch Warm is kept" },
        { new RemovePatch(ProcessorCatalogue.Compressor, "Warm"), "The patch Warm is forgotten" },
        { new SetFirstPatch(ProcessorCatalogue.Compressor, "Warm"), "New ones of compressor begin with Warm" },
        { new SetFirstPatch(ProcessorCatalogue.Compressor, null), "New ones of compressor begin as they are" },
        { new PutLever(new("lift", "Lift", 0.5, [])), "The lever Lift is changed" },
        { new PutLever(new("sink", "Sink", 0.5, [])), "The lever Sink is new" },
        { new RemoveLever("lift"), "The lever Lift is removed" },
        { new RemoveGroove("Late"), "The groove Late is forgotten" },
        { new RemoveAside(new("away")), "Away is taken from what was put aside" },
        { new RemoveAside(new("home")), "Home is back with its own pieces" },
        { new RemoveAside(new("nobody")), "nobody is put aside no more" },
        { new PutShelfCopy(new(ShelfKind.Strip, "keys", "item", 2, Map<string>.Empty)), "The strip of Bus keys is a copy of the shelf's, revision 2" },
        { new PutShelfCopy(new(ShelfKind.Chain, "keys/rust", "item", 1, Map<string>.Empty)), "The chain Rust on Bus keys is a copy of the shelf's, revision 1" },
        { new PutShelfCopy(new(ShelfKind.Chain, "keys/gone", "item", 1, Map<string>.Empty)), "A chain on Bus keys is a copy of the shelf's, revision 1" },
        { new PutShelfCopy(new(ShelfKind.Rhythm, "organ/Held", "item", 1, Map<string>.Empty)), "The starter Held of Tone organ is a copy of the shelf's, revision 1" },
        { new PutShelfCopy(new(ShelfKind.Rhythm, "organ/Gone", "item", 1, Map<string>.Empty)), "A starter of Tone organ is a copy of the shelf's, revision 1" },
        { new PutShelfCopy(new(ShelfKind.Patch, "compressor/Warm", "item", 1, Map<string>.Empty)), "The patch Warm is a copy of the shelf's, revision 1" },
        { new RemoveShelfCopy(ShelfKind.Kit, "organ"), "The kit of Tone organ is no copy of the shelf's any more" },
        { new RemoveShelfCopy(ShelfKind.Machine, "organ"), "The machine of Tone organ is no copy of the shelf's any more" },
        { new RemoveShelfCopy(ShelfKind.SetPiece, "gone"), "The set piece of gone is no copy of the shelf's any more" },
        { new RemoveShelfCopy(ShelfKind.Groove, "Late"), "The groove Late is no copy of the shelf's any more" },
        { new PutDefaultStrip(new(new(ChannelKind.Return), new() { Inserts = [] })), "New returns come with no inserts" },
        { new RemoveDefaultStrip(new(ChannelKind.Return)), "New returns have no default of their own any more" },
        { new SetOpening(null), "It opens with everything unfolded" },
        { new SetOpening(new("mix", [], null)), "How it opens is changed" },
        { new SetParent(null), "It is based on Blue hour no more" },
        { new SetParent(new("parent", "Blue hour", 4)), "The changes of Blue hour are looked through" },
        { new SetParent(new("other", "Grey hour", 1)), "It is based on Grey hour" },
        { new SetMusicalKey(new(0, true)), "The key is A minor" },
        { new SetSampling(48000, PanLaw.ConstantPower), "48000 Hz, pan law −3 dB at the centre" },
        { new SetSampling(48000, PanLaw.Compromise), "48000 Hz, pan law −4.5 dB at the centre" },
        { new SetTimeline(new(120, new(4, 4), [new("Song", 1)]) { CountIn = new(1) }), "1 bar is counted in" },
        { new SetTimeline(new(120, new(4, 4), [new("Song", 1)]) { CountIn = new(2) }), "2 bars are counted in" },
        { new SetTimeline(new(120, new(4, 4), [new("Song", 1)]) { CountIn = new(0, true) }), "A click goes through the song" },
        { new Describe("One bar", "", [], ""), "Its tags are none" },
        { new TakeSpare(Keys, "Bell", "write"), "Bell takes the next spare under Bus keys" },
        { new TakeSpare(Keys, null, "write"), "The next spare under Bus keys is taken" },
        { new AddPrintTwin(Organ), "Tone organ gets a channel for its print" },
        { new RestoreActs(EmptyStage.Acts, []), "The acts are as they were" },
        { new RestoreChannels([], [Keys, Organ]), "Bus keys, Tone organ are taken away again" },
        { new MonitorInputs([new("voice")], null, true), "Voice: armed" },
        { new MonitorInputs([new("voice")], false, null), "Voice: not monitored" },
        { new TakeInputs([new("voice"), Organ], 5), "Voice, Tone organ take inputs from 5 on" },
        { new LayStrip([Organ], new() { Inserts = [] }), "Tone organ gets the strip: no inserts" },
        { new LayStrip([Organ, new("piano")], new() { Inserts = [] }), "Tone organ, Tone piano get the strip: no inserts" },
    };

    [Theory]
    [MemberData(nameof(Sentences))]
    public void Of_AnEdit_SaysItWithTheNamesOfTheParts(Edit edit, string sentence) => Assert.Equal(sentence, EditWords.Of(edit, Said));
}
