using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Soundcheck;

/// <summary>What can be wrong with sidechains and sends on a stage that is in order.</summary>
internal static class SendFaults
{
    private const string InWrite = "write";

    private static readonly ChannelId Lead = new("lead");
    private static readonly ChannelId Low = new("low");
    private static readonly ChannelId Pulse = new("pulse");
    private static readonly ChannelId Echo = new("echo");
    private static readonly InsertId Duck = new("duck");
    private static readonly Insert Ducker = new(Duck, ProcessorCatalogue.Compressor) { Key = new(true) };

    private static Edit[] Keyed { get; } = [new AddInsert(Lead, Ducker), Feed(Pulse)];

    public static (string Rule, Template[] Faults)[] Of(Template inOrder)
    {
        var keyed = inOrder.With(Keyed);
        return
        [
            ("key-without-feed",
            [
                inOrder.With(new AddInsert(Lead, Ducker)),
                inOrder.With(new AddInsert(Lead, Ducker), new AddInsert(Lead, Ducker with { Id = new("again") })),
            ]),
            ("feed-into-closed-key",
            [
                keyed.With(new SetKey(Lead, Duck, null)),
                keyed.With(new SetKey(Lead, Duck, new(false, 80))),
            ]),
            ("feed-from-silence",
            [
                keyed.With(new SetMute(Pulse, true)),
                keyed.With(new SetStage(Pulse, InWrite, StageState.InTheWings)),
                keyed.With(new SetStage(Pulse, InWrite, StageState.InTheWings), new SetMute(Pulse, true)),
                keyed.With(Feed(Low), new SetMute(Low, true)),
                keyed.With(new RemoveFeed(Pulse, Lead, Duck), Feed(Low), new SetMute(Low, true)),
            ]),
            ("feed-from-closed-fader", [keyed.With(Feed(Low, TapPoint.Post), new SetLevel(Low, Decibels.Silence))]),
            ("trigger-heard",
            [
                keyed.With(Feed(Low), new RenameChannel(Low, "Kick trigger")),
                keyed.With(Feed(Low, TapPoint.Post), new RenameChannel(Low, "Kick trigger"), new PutSend(Low, new(Echo, new(-6), TapPoint.Pre))),
            ]),
            ("trigger-without-notes",
            [
                keyed.With(new RemovePattern(Pulse, "Quarters")),
                keyed.With(new SetNoteProcessors(Pulse, [new ChosenNotes([36])])),
            ]),
            ("ducker-not-recovered",
            [
                // A curve of two quarters on every quarter; a release of 400 ms after a tone that leaves no time for it.
                inOrder.With(new AddInsert(Lead, Insert("room", ProcessorCatalogue.Ducker, ("depth-db", 6), ("length-quarters", 2)))),
                keyed.With(new SetSettings(Lead, Duck, Map<double>.Empty.With("threshold-db", -30).With("ratio", 10).With("release-ms", 400))),
            ]),
            ("low-end-drives-bus",
            [
                Bassy(inOrder).With(new AddInsert(EmptyStage.MixBus, Insert("comp", ProcessorCatalogue.Compressor))),
                Bassy(inOrder).With(new AddInsert(EmptyStage.Main, Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(false, HighCutHz: 9000) }, 0)),
            ]),
            ("ducker-on-every-member", [EveryMember(inOrder)]),
            ("wide-feed",
            [
                keyed.With(new RemoveInsert(Lead, Duck), new AddInsert(Lead, Ducker with { Device = StudioFaults.Press }), Feed(Pulse), new SetFormat(Pulse, ChannelFormat.Stereo)),
                inOrder.With(new AddInsert(Lead, Ducker with { Device = StudioFaults.Press }), Feed(Low), new SetFormat(Low, ChannelFormat.Stereo)),
            ]),
            ("dry-twice",
            [
                inOrder.With(new AddInsert(Echo, Insert("taps", ProcessorCatalogue.Delay) with { ParkedIn = [InWrite] })),
                inOrder.With(LowCut),
            ]),
            ("return-not-wet", [inOrder.With(new AddInsert(Echo, Insert("taps", ProcessorCatalogue.Delay, ("wet-percent", 60))))]),
            ("tail-over-bar",
            [
                // A bar of 4/4 at 120 lasts two seconds.
                inOrder.With(Room("room", 2.6), LowCut),
                inOrder.With(Room("room", 20), LowCut, new SetTimeline(new(240, new(3, 4), [new("Song", 4, Id: "song")]))),
            ]),
            ("delay-off-note",
            [
                inOrder.With(Taps(0.61, 0.5)),
                inOrder.With(Taps(0.61, 1.1)),
                inOrder.With(new AddInsert(Lead, Insert("taps", ProcessorCatalogue.Delay, ("left-quarters", 0.1)))),
            ]),
            ("low-end-into-reverb", [inOrder.With(new AddInsert(Echo, Insert("room", ProcessorCatalogue.Reverb)))]),
        ];
    }

    /// <summary>What looks like a fault and is none.</summary>
    public static Template[] Sound(Template inOrder)
    {
        var keyed = inOrder.With(Keyed);
        return
        [
            keyed,
            // As long as the quarter lets it; or moved by a curve, which nobody can tell from outside.
            inOrder.With(new AddInsert(Lead, Insert("room", ProcessorCatalogue.Ducker, ("depth-db", 6), ("length-quarters", 1)))),
            inOrder.With(new AddInsert(Lead, Insert("room", ProcessorCatalogue.Ducker, ("depth-db", 6), ("length-quarters", 2))),
                new PutShape(Lead, new(new InsertTarget(new("room"), "length-quarters"), "song", [new(0, 0.5), new(1, 2)]))),
            keyed.With(new SetSettings(Lead, Duck, Map<double>.Empty.With("threshold-db", -30).With("ratio", 10).With("release-ms", 100))),
            // Cut in the key, no bass, nothing but bass, or a strip that takes nothing off.
            Bassy(inOrder).With(new AddInsert(EmptyStage.MixBus, Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(false, 90) })),
            Bassy(inOrder).With(new AddInsert(EmptyStage.MixBus, Insert("comp", ProcessorCatalogue.Compressor, ("ratio", 1)))),
            inOrder.With(new AddInsert(EmptyStage.MixBus, Insert("comp", ProcessorCatalogue.Compressor))),
            Bassy(inOrder).With(new AddInsert(new("drums"), Insert("comp", ProcessorCatalogue.Compressor))),
            // One of them deeper; one without.
            EveryMember(inOrder).With(new SetParameter(Low, Duck, "threshold-db", -33)),
            EveryMember(inOrder).With(new RemoveInsert(Low, Duck)),
            // Nothing is sent where the effect rests, or the return rests as well.
            inOrder.With(LowCut, new PutSend(Lead, new(Echo, new(-12), Open: false))),
            inOrder.With(LowCut, new SetMute(Echo, true)),
            // What rests in the wings, waits or is off hears nothing anyway.
            inOrder.With(new AddInsert(Lead, Ducker with { ParkedIn = [InWrite] })),
            inOrder.With(new AddInsert(Lead, Ducker with { Off = true })),
            // Before its fader, or not all the way down.
            keyed.With(Feed(Low), new SetLevel(Low, Decibels.Silence)),
            keyed.With(Feed(Low, TapPoint.Post), new SetLevel(Low, new(-60))),
            // Called a trigger, and not heard: its fader is down, or it steers nothing.
            keyed.With(Feed(Low), new RenameChannel(Low, "Kick trigger"), new SetLevel(Low, Decibels.Silence)),
            inOrder.With(new RenameChannel(Low, "Kick trigger")),
            // Played along with another.
            keyed.With(new RemovePattern(Pulse, "Quarters"), new SetNoteInput(Low, new() { Layers = [Pulse] })),
            // Steers nothing, so it needs no notes.
            inOrder.With(new RemovePattern(Pulse, "Quarters")),
            // Longer than the bar, and dull enough around 1 kHz; or a curve says how long.
            inOrder.With(new AddInsert(Echo, Insert("room", ProcessorCatalogue.Reverb, ("decay-s", 2.6), ("damping-hz", 2500))), LowCut),
            inOrder.With(Room("room", 5), LowCut, new PutShape(Echo, new(new InsertTarget(new("room"), "decay-s"), "song", [new(0, 1), new(1, 5)]))),
            // Five sixteenths, a quarter triplet, a dotted eighth that was typed in milliseconds.
            inOrder.With(Taps(1.25, 2 / 3.0)), inOrder.With(Taps(0.7501, 8 / 3.0)),
            inOrder.With(new AddInsert(Echo, Insert("room", ProcessorCatalogue.Reverb)), new AddInsert(Echo, Insert("cut", ProcessorCatalogue.Equaliser, ("low-cut", 1)))),
            // A curve says how wet it is.
            inOrder.With(new AddInsert(Echo, Insert("taps", ProcessorCatalogue.Delay, ("wet-percent", 60))),
                new PutShape(Echo, new(new InsertTarget(new("taps"), "wet-percent"), "song", [new(0, 20), new(1, 100)]))),
        ];
    }

    /// <summary>A bass beside the lead; mono, so that nothing else is found.</summary>
    private static Template Bassy(Template inOrder) => inOrder.With(Tone("bass", "drums", ChannelFormat.Mono));

    /// <summary>Two under the drums, each with the same ducker, fed by the same trigger.</summary>
    private static Template EveryMember(Template inOrder) => inOrder.With(
        Tone("high", "drums"), new AddInsert(Low, Ducker), new AddInsert(new("high"), Ducker),
        new PutFeed(Pulse, new(Low, Duck, new(0), TapPoint.Pre)), new PutFeed(Pulse, new(new("high"), Duck, new(0), TapPoint.Pre)));

    private static AddInsert LowCut => new(Echo, Insert("cut", ProcessorCatalogue.Equaliser, ("low-cut", 1)));

    private static AddInsert Room(string id, double decaySeconds) => new(Echo, Insert(id, ProcessorCatalogue.Reverb, ("decay-s", decaySeconds), ("damping-hz", 20000)));

    private static AddInsert Taps(double left, double right) => new(Echo, Insert("taps", ProcessorCatalogue.Delay, ("left-quarters", left), ("right-quarters", right)));

    private static PutFeed Feed(ChannelId from, TapPoint tap = TapPoint.Pre) => new(from, new(Lead, Duck, new(0), tap));
}
