using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

/// <summary>Of several that are wrong alike, the first is told: whoever mends a list goes through it from the top.</summary>
public class FirstToldTests
{
    private static readonly ChannelId Drums = new("drums");
    private static readonly ChannelId Kit = new("kit");
    private static readonly Insert Comp = Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) };
    private static readonly Insert Gate = Insert("gate", ProcessorCatalogue.Gate) with { Key = new(true) };
    private static readonly MediaRef Rain = new(new('a', 64), "Rain", 48000, 1, 48000);

    private static readonly Kit Set = new(
        [Piece.Pad("Kick", 36, "drums", 2, DrumSound.Kick), Piece.Pad("Snare", 38, "drums", 3, DrumSound.Snare)],
        [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Mono))]);

    private static readonly Template Stage = OneBar(
        Return("hall", "mix-bus"), Bus("drums", "mix-bus", Comp, Gate), Tone("organ", "mix-bus"), Tone("piano", "mix-bus"), Trigger("ghost"), Trigger("pulse"),
        new AddChannel(new() { Id = new("part"), Name = "Part", Kind = ChannelKind.Notes, Plays = [new("organ")] }),
        new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new InputSource(1) }),
        new AddChannel(new() { Id = Kit, Name = "Kit", Kind = ChannelKind.Instrument, Destination = Drums, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, Set) }),
        Split("Third", 3), Split("Fourth", 4),
        new PutGroove(new Groove("Late", Ticks.PerQuarter, [new(0)])), new SetGroove(new("piano"), "Late"), new SetGroove(new("part"), "Late"));

    private static readonly Dictionary<string, (Template Wrong, string Told)> Templates = new()
    {
        ["defaults"] = (Stage with { Defaults = [Default("juggler"), Default("clown")] }, "'juggler'"),
        ["sends of a default"] = (Stage with { Defaults = [new(new(ChannelKind.Bus), new() { Sends = [new("Hall", new(7)), new("Plate", new(8))] })] }, "it was 7"),
        ["patches"] = (Stage with { Patches = [new("flux", "Warm", Map<double>.Empty), new("flex", "Cold", Map<double>.Empty)] }, "'flux'"),
        ["first patches, by what they are of"] = (Stage with { FirstPatches = Map<string>.Empty.With("flux", "Warm").With("flex", "Cold") }, "'flex'"),
        ["shapes"] = (With("organ", c => c with { Shapes = [Curve(7), Curve(8)] }), "it was 7"),
        ["points of a shape"] = (With("organ", c => c with { Shapes = [new(new LevelTarget(), "verse", [new(0, 0), new(0.4, 8), new(1, 7)])] }), "it was 8"),
        ["pads"] = (With("organ", c => c with { NoteInput = new() { PadMap = [new(129, 1), new(128, 2)] } }), "it was 129"),
        ["controllers"] = (With("organ", c => c with { NoteInput = new() { Controllers = [new(129, "Level"), new(128, "Swell")] } }), "it was 129"),
        ["note processors"] = (With("organ", c => c with { NoteProcessors = [new Transpose(99), new Transpose(98)] }), "it was 99"),
        ["levers"] = (Stage with { Levers = [new("b", "Lift", 2, []), new("a", "Sink", 3, [])] }, "Lift"),
        ["what a lever moves"] = (Stage with { Levers = [new("l", "Lift", 0, [new(Drums, new InsertTarget(Comp.Id, "ratio"), 1, 900), new(Drums, new InsertTarget(Comp.Id, "ratio"), 1, 1000)])] }, "it was 900"),
        ["patterns"] = (With("organ", c => c with { Patterns = [new("Beat", 0, [], []), new("Bar", 0, [], [])] }), "The length of Beat"),
        ["inserts"] = (With("drums", c => c with { Inserts = [Comp with { Processor = "flux" }, Gate with { Processor = "flex" }] }), "'flux'"),
        ["notes on controls, by the controls"] = (With("drums", c => c with { Inserts = [Comp with { Notes = Map<string>.Empty.With("No id!", "Here").With("And none!", "There") }, Gate] }), "'And none!'"),
        ["copies of the shelf"] = (Stage with { Copies = [new(ShelfKind.Groove, "Late", "item", 0, Map<string>.Empty), new(ShelfKind.Groove, "Later", "item", -1, Map<string>.Empty)] }, "it was 0"),
        ["splits that are put aside"] = (Stage with { Aside = [Aside("First"), Aside("Second")] }, "First"),
        ["acts"] = (Stage with { Acts = [new("No id!", "Tour"), new("And none!", "Encore")] }, "Tour"),
        ["channels"] = (Stage with { Channels = Stage.Channels.Replace(Stage.Channels[new ChannelId("organ")] with { Pan = 2 }).Replace(Stage.Channels[new ChannelId("piano")] with { Pan = 3 }) }, "Tone organ"),
        ["sounds"] = (With("voice", c => c with { Starters = [new("Rain", Rain, false, new(0), []) { Quarters = 0 }, new("Hail", Rain, false, new(0), []) { Quarters = 0 }] }), "The length of Rain"),
        ["chains"] = (With("drums", c => c with { Chains = [new("a", "First", []), new("b", "Second", [])] }), "the chain First"),
        ["controls of a chain"] = (Chained([new("a", "Bite", 2, []), new("b", "Bark", 3, [])]), "Bite"),
        ["values of a chain's control"] = (Chained([new("a", "Bite", 0, [new(Comp.Id, null, 0, 2), new(Comp.Id, null, 0, 3)])]), "it was 2"),
        ["corners of a key"] = (With("drums", c => c with { Inserts = [Comp with { Key = new(true, LowCutHz: 10, HighCutHz: 5) }, Gate] }), "it was 10"),
    };

    private static readonly Dictionary<string, (Edit Edit, string Told)> Edits = new()
    {
        ["channels that are gone"] = (new DuplicateChannels([new("nowhere"), new("elsewhere")]), "'nowhere'"),
        ["channels that stand once"] = (new DuplicateChannels([EmptyStage.Main, EmptyStage.MixBus], WithFeeders: true), "'Main'"),
        ["pieces that are none"] = (new RemovePieces(Kit, ["Gong", "Bell"]), "'Gong'"),
        ["pieces that are to be together"] = (new PinTogether(Kit, ["Gong", "Bell"], null), "'Gong'"),
        ["splits whose outputs are gone"] = (new SetOutputs(Kit, Set with { Outputs = [.. Set.Outputs.Take(2)], Pieces = [Set.Pieces[0]] }, []), "Third"),
        ["splits whose machine has fewer outputs"] = (new SetSource(Kit, new InstrumentSource(InstrumentCatalogue.Breakwater, Set with { Outputs = [.. Set.Outputs.Take(2)], Pieces = [Set.Pieces[0]] })), "Third"),
        ["channels that feed nothing"] = (new BusAround([new("ghost"), new("pulse")], null, "Both"), "Trigger ghost"),
        ["those who follow a groove"] = (new RemoveGroove("Late"), "Tone piano"),
        ["those who need an instrument"] = (new TurnInto(Kit, ChannelKind.Audio), "Third"),
        ["values beyond their ranges in a chain"] = (new PutChain(Drums, new("c", "Chain", [Comp.Id]) { Controls = [new("x", "Bite", 0, [new(Comp.Id, "ratio", 1, 900)]), new("y", "Bark", 0, [new(Comp.Id, "threshold-db", -900, 0)])] }), "it was 900"),
        ["channels that went"] = (new RestoreActs(EmptyStage.Acts, [Gone("nowhere"), Gone("elsewhere")]), "'nowhere'"),
    };

    public static TheoryData<string> TemplateNames => [.. Templates.Keys];

    public static TheoryData<string> EditNames => [.. Edits.Keys];

    [Fact]
    public void TheStageItself_IsRight() => Assert.Null(TemplateRules.Check(Stage));

    [Theory]
    [MemberData(nameof(TemplateNames))]
    public void Check_OfTwoThatAreWrongAlike_TellsTheFirst(string what) =>
        Assert.Contains(Templates[what].Told, TemplateRules.Check(Templates[what].Wrong)?.Sentence ?? "Nothing is wrong.", StringComparison.Ordinal);

    [Theory]
    [MemberData(nameof(EditNames))]
    public void Apply_WhereTwoAreInTheWay_TellsTheFirst(string what) =>
        Assert.Contains(Edits[what].Told, Assert.IsType<EditResult.Refused>(Edits[what].Edit.ApplyTo(Stage)).Why.Sentence, StringComparison.Ordinal);

    private static Template With(string id, Func<Channel, Channel> change) => Stage with { Channels = Stage.Channels.Replace(change(Stage.Channels[new ChannelId(id)])) };

    private static Template Chained(Sequence<ChainControl> controls) => With("drums", c => c with { Chains = [new("c", "Chain", [Comp.Id]) { Controls = controls }] });

    private static DefaultStrip Default(string role) => new(new(ChannelKind.Audio, Role: role), new() { Inserts = [] });

    private static Shape Curve(double db) => new(new LevelTarget(), "verse", [new(0, db), new(1, 0)]);

    private static AsideSplit Aside(string name) => new(new() { Id = new(name.ToLowerInvariant()), Name = name, Kind = ChannelKind.Split, Source = new OutputSource(Kit, 2) }, ["Kick"], [], []);

    private static AddChannel Split(string name, int output) =>
        new(new() { Id = new(name.ToLowerInvariant()), Name = name, Kind = ChannelKind.Split, Format = ChannelFormat.Mono, Destination = Drums, Source = new OutputSource(Kit, output) });

    private static PlacedChannel Gone(string id) => new(new() { Id = new(id), Name = id, Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus }, null);
}
