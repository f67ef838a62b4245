using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outside;

/// <summary>A small band at 100 BPM, so that a slot of the test is one bar: a kit on splits, a bass that gives way to its kick, a pad and keys, a hall and an echo.</summary>
internal static class OutsideBand
{
    public static readonly ChannelId Player = new("kit");

    public static readonly Kit Kit = new(
        [
            Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Snare", 38, "drums/snare", 3, DrumSound.Snare), Piece.Pad("Rim", 37, "drums/snare", 3, DrumSound.RimClick),
            Piece.Pad("Clap", 39, "drums/hands", 4, DrumSound.Clap), Piece.Pad("Tom low", 45, "drums/toms", 5, DrumSound.LowTom), Piece.Pad("Hat closed", 42, "drums/hats", 6, DrumSound.ClosedHat),
            Piece.Pad("Ride", 51, "drums/cymbals", 7, DrumSound.Ride),
        ],
        [
            new("The rest", ChannelFormat.Mono), new("Kick", ChannelFormat.Mono), new("Snare", ChannelFormat.Mono), new("Clap", ChannelFormat.Mono), new("Tom", ChannelFormat.Mono),
            new("Hats", ChannelFormat.Mono), new("Ride", ChannelFormat.Mono),
        ]);

    public static readonly Template Template = (OneBar() with { Timeline = new(100, new(4, 4), [new("song", "Song", 1)]) }).With(
        Sum("drums", "Drums", Insert("glue", ProcessorCatalogue.Compressor, ("threshold-db", -18), ("ratio", 2))), Sum("rest", "Rest"),
        Return("hall", "Hall", Insert("verb", ProcessorCatalogue.Reverb, ("decay-s", 1.6), ("wet-percent", 100))), Return("echo", "Echo", Insert("taps", ProcessorCatalogue.Delay, ("wet-percent", 100))),
        new AddChannel(new() { Id = Player, Name = "Harbour kit", Kind = ChannelKind.Instrument, Destination = new("drums"), Source = new InstrumentSource(InstrumentCatalogue.Breakwater, Kit) }),
        Split("kick", 2, "Kick"), Split("snare", 3, "Snare"), Split("clap", 4, "Clap"), Split("tom", 5, "Tom low"), Split("hats", 6, "Hats"), Split("ride", 7, "Ride"),
        Played("bass", "Low wire", InstrumentCatalogue.Undertow, Insert("duck", ProcessorCatalogue.Compressor, ("threshold-db", -30), ("ratio", 4), ("attack-ms", 1), ("release-ms", 120)) with { Key = new(true) }),
        Played("pad", "Fog", InstrumentCatalogue.Gullwing), Played("keys", "Bells", InstrumentCatalogue.Bellbuoy),
        new PutFeed(new("kick"), new(new("bass"), new("duck"), new(0))),
        new PutSend(new("snare"), new(new("hall"), new(-10))), new PutSend(new("clap"), new(new("hall"), new(-14))), new PutSend(new("keys"), new(new("echo"), new(-9))));

    /// <summary>A pad as another machine would have it.</summary>
    public static Piece AnotherSound(Piece piece)
    {
        var other = piece.Name switch { "Kick" => DrumSound.DeepDrum, "Snare" => DrumSound.SideDrum, "Rim" => DrumSound.HighWoodBlock, "Clap" => DrumSound.Shaker, "Tom low" => DrumSound.FrameDrumOpen, "Hat closed" => DrumSound.SandBlock, _ => DrumSound.Bell };
        return Piece.Pad(piece.Name, piece.Note, piece.Family, piece.Microphones[0].Output, other);
    }

    private static AddChannel Sum(string id, string name, params Insert[] strip) => new(new() { Id = new(id), Name = name, Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus, Inserts = strip.ToSequence() });

    private static AddChannel Return(string id, string name, params Insert[] strip) => new(new() { Id = new(id), Name = name, Kind = ChannelKind.Return, Destination = EmptyStage.MixBus, Inserts = strip.ToSequence() });

    private static AddChannel Split(string id, int output, string name) => new(new() { Id = new(id), Name = name, Kind = ChannelKind.Split, Format = ChannelFormat.Mono, Destination = new("drums"), Source = new OutputSource(Player, output) });

    private static AddChannel Played(string id, string name, string instrument, params Insert[] strip) => new(new() { Id = new(id), Name = name, Kind = ChannelKind.Instrument, Destination = new("rest"), Inserts = strip.ToSequence(), Source = new InstrumentSource(instrument) });
}
