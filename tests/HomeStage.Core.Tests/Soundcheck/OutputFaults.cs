using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Soundcheck;

/// <summary>A kit over four pairs with two splits, in order, and what can be wrong with it.</summary>
internal static class OutputFaults
{
    private static readonly ChannelId Player = new("set");

    private static readonly Kit Set = new(
        [
            Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Snare", 38, "drums/snare", 3, DrumSound.Snare),
            Piece.Pad("Rim", 37, "drums/snare", 3, DrumSound.RimClick), Piece.Pad("Shaker", 82, "percussion/shakers", 1, DrumSound.Shaker),
        ],
        [new("The rest", ChannelFormat.Stereo), new("Kick", ChannelFormat.Stereo), new("Snare", ChannelFormat.Stereo), new("Free", ChannelFormat.Stereo)]);

    /// <summary>The kit on a stage that is in order: nothing is found.</summary>
    public static Template Sound(Template inOrder) => inOrder.With(
        new AddChannel(new() { Id = Player, Name = "Drum set", Kind = ChannelKind.Instrument, Destination = new("drums"), Source = new InstrumentSource(InstrumentCatalogue.Tidewater, Set) }),
        Split("kick", "Kick", 2), Split("snare", "Snare", 3));

    public static (string Rule, Template[] Faults)[] Of(Template inOrder)
    {
        var sound = Sound(inOrder);
        return
        [
            ("piece-unheard", [Laid(sound, k => Moved(k, "Shaker", 4)), Laid(sound.With(new RemoveChannel(new("snare"))), k => k)]),
            ("output-beyond", [Laid(sound, k => k with { Outputs = [.. k.Outputs, .. Enumerable.Range(5, 5).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))] })]),
            ("other-outputs", [sound.With(new SetDevice(Player, null, new("Tuner") { Latency = new(0, 48000), Outputs = [new("Out", ChannelFormat.Stereo), new("Low", ChannelFormat.Mono)] }))]),
            ("split-not-monitored", [sound.With(new SetSource(new("kick"), new OutputSource(Player, 2, Monitored: false)))]),
            ("heard-twice", [Laid(sound, k => k.At("Snare", m => m with { AlsoOnFirst = true }))]),
            ("pinned-apart", [sound.With(new SetPiecePlace(Player, "Rim", PieceStay.Alone, 1)), Laid(sound, k => Moved(k, "Shaker", 2).At("Shaker", m => m with { Stay = PieceStay.Alone }))]),
            ("called-otherwise",
            [
                sound.With(new PutKitOutput(Player, new("Clap", ChannelFormat.Stereo), 2)),
                Laid(sound, k => Moved(Moved(Moved(k, "Kick", 3), "Snare", 2), "Rim", 2)),
            ]),
            ("empty-split", [Laid(sound, k => Moved(k, "Kick", 1))]),
            ("output-names", [sound.With(new RenameChannel(new("kick"), "Kick drum"))]),
            ("output-numbering",
            [
                sound.With(new MoveChannel(new("kick"), new("drums"), null)),
                Laid(sound.With(new SetSource(new("snare"), new OutputSource(Player, 4))), k => Moved(Moved(k, "Snare", 4), "Rim", 4) with { Outputs = [.. k.Outputs.Take(2), new("Free", ChannelFormat.Stereo), new("Snare", ChannelFormat.Stereo)] }),
            ]),
        ];
    }

    private static AddChannel Split(string id, string name, int output) => new(new()
    { Id = new(id), Name = name, Kind = ChannelKind.Split, Destination = new("drums"), Source = new OutputSource(Player, output) });

    private static Template Laid(Template template, Func<Kit, Kit> change)
    {
        var source = (InstrumentSource)template.Channels[Player].Source!;
        return template.With(new SetSource(Player, source with { Kit = change(source.Kit!) }));
    }

    private static Kit Moved(Kit kit, string piece, int output) => kit.At(piece, m => m with { Output = output });
}
