using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Soundcheck;

/// <summary>What can be wrong with strips on a stage that is in order.</summary>
internal static class StripFaults
{
    private static readonly ChannelId Lead = new("lead");
    private static readonly Sequence<ShapePoint> Rise = [new(0, -30), new(1, 0)];

    public static (string Rule, Template[] Faults)[] Of(Template inOrder)
    {
        var kept = inOrder.With(new AddInsert(Lead, Insert("kept", ProcessorCatalogue.Gain) with { KeptForAutomation = true }));
        var rise = new PutShape(Lead, new(new LevelTarget(), "song", Rise));
        var dive = new Lever("dive", "Dive", 0.5, [new(Lead, new LevelTarget(), -12, 0)]);
        return
        [
            ("fader-held",
            [
                kept.With(rise),
                kept.With(new PutLever(dive)),
                kept.With(rise, new PutShape(Lead, new(new InsertTarget(new("kept"), "gain-db"), "song", Rise))),
            ]),
            ("held-twice",
            [
                inOrder.With(new PutLever(dive), new PutLever(dive with { Id = "later", Name = "Later" })),
                inOrder.With(new PutLever(dive), rise),
            ]),
            ("moves-what-is-off",
            [
                inOrder.With(new AddInsert(Lead, Insert("cut", ProcessorCatalogue.Equaliser)), new PutShape(Lead, new(new InsertTarget(new("cut"), "low-cut-hz"), "song", [new(0, 1200), new(1, 90)]))),
                inOrder.With(new AddInsert(Lead, Insert("cut", ProcessorCatalogue.Equaliser)), new PutLever(new("dive", "Dive", 0.5, [new(Lead, new InsertTarget(new("cut"), "high-cut-hz"), 400, 8000)]))),
            ]),
            ("needs-key",
            [
                inOrder.With(new AddInsert(Lead, Insert("tune", ProcessorCatalogue.PitchCorrection))),
                inOrder.With(new AddInsert(Lead, Insert("tune", ProcessorCatalogue.PitchCorrection)), new AddInsert(Lead, Insert("again", ProcessorCatalogue.PitchCorrection))),
            ]),
            ("strip-on-notes",
            [
                Notes(inOrder, c => c with { Inserts = [Insert("eq", ProcessorCatalogue.Equaliser)] }),
                Notes(inOrder, c => c with { Level = new(-6) }),
                Notes(inOrder, c => c with { Pan = 0.5 }),
            ]),
            ("strip-on-take",
            [
                Take(inOrder, []),
                Take(inOrder, [Insert("eq", ProcessorCatalogue.Equaliser)]),
            ]),
            ("two-limiters",
            [
                inOrder.With(new AddInsert(EmptyStage.Main, Insert("again", ProcessorCatalogue.Limiter))),
                inOrder.With(new AddInsert(EmptyStage.Main, Insert("between", ProcessorCatalogue.Gain) with { ParkedIn = ["write"] }), new AddInsert(EmptyStage.Main, Insert("again", ProcessorCatalogue.Limiter))),
            ]),
            ("wide-bass", [inOrder.With(new AddChannel(Tone("x", "mix-bus").Channel with { Name = "Bass DI" }))]),
        ];
    }

    /// <summary>What looks like a fault of a strip and is none.</summary>
    public static Template[] Sound(Template inOrder) =>
    [
        inOrder.With(new PutShape(Lead, new(new LevelTarget(), "song", Rise))),
        inOrder.With(new AddInsert(Lead, Insert("tune", ProcessorCatalogue.PitchCorrection)), new SetMusicalKey(new(0, false))),
        inOrder.With(new AddInsert(Lead, Insert("tune", ProcessorCatalogue.PitchCorrection, ("scale", 1)))),
        inOrder.With(new AddInsert(Lead, Insert("tune", ProcessorCatalogue.PitchCorrection) with { WaitsFor = new(WaitReason.SongKey) })),
        inOrder.With(new AddInsert(EmptyStage.Main, Insert("clip", ProcessorCatalogue.Clipper)), new AddInsert(EmptyStage.Main, Insert("again", ProcessorCatalogue.Limiter))),
        inOrder.With(new AddChannel(Tone("x", "mix-bus", ChannelFormat.Mono).Channel with { Name = "Bass DI" })),
        inOrder.With(Bus("low-end", "mix-bus", Insert("image", ProcessorCatalogue.Image, ("mono-below", 1))), new AddChannel(Tone("x", "low-end").Channel with { Name = "Bass DI" })),
        inOrder.With(new AddInsert(EmptyStage.MixBus, Insert("image", ProcessorCatalogue.Image, ("width-percent", 0))), new AddChannel(Tone("x", "mix-bus").Channel with { Name = "Bass DI" })),
    ];

    private static Template Notes(Template inOrder, Func<Channel, Channel> change) =>
        inOrder.With(new AddChannel(change(new() { Id = new("keys"), Name = "Left hand keys", Kind = ChannelKind.Notes, Plays = [Lead] })));

    private static Template Take(Template inOrder, Sequence<Insert> busStrip) => inOrder.With(
        new AddChannel(new() { Id = new("comp"), Name = "Lead vocal comp", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus, Inserts = busStrip }),
        new AddChannel(Tone("x", "comp").Channel with { Name = "Lead vocal take 1", Inserts = [Insert("comp", ProcessorCatalogue.Compressor)] }));
}
