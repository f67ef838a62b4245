using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outputs;

public class PatchSheetTests
{
    [Fact]
    public void EveryPad_IsFollowedFromItsNoteToItsBus_ByHand()
    {
        var kit = new Kit(
            [Piece.Pad("Thud", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Crack", 38, "drums/snare", 3, DrumSound.Snare), Piece.Pad("Rattle", 70, "percussion", 1, DrumSound.Shaker)],
            [new("The rest", ChannelFormat.Stereo), new("Thud", ChannelFormat.Mono), new("Crack", ChannelFormat.Stereo)]);
        var template = OneBar(
            Bus("skins", "mix-bus"), new MakeChannel(new(ChannelKind.Instrument) { Name = "Box", Bare = true }), new SetSource(new("box"), new InstrumentSource(InstrumentCatalogue.Breakwater, kit)),
            new MakeChannel(new(ChannelKind.Split) { Name = "Thud", SplitOf = new("box"), Output = 2, Under = new("skins") }));

        var lines = PatchSheet.Of(template);

        // The rest leaves by the pair 1–2, on the box's own channel; nobody takes the pair 4–5.
        Assert.Equal(
            [("Rattle", 70, "1–2", "box", "mix-bus"), ("Thud", 36, "3", "thud", "skins"), ("Crack", 38, "4–5", null, null)],
            lines.Select(l => (l.Name, l.Note!.Value, l.Jack, l.Taker?.Value, l.Bus?.Value)));

        var twice = template.With(new MakeChannel(new(ChannelKind.Split) { Name = "Thud again", SplitOf = new("box"), Output = 2 }));
        Assert.Equal([("thud", "skins"), ("thud-again", "mix-bus")], PatchSheet.Of(twice).Where(l => l.Name == "Thud").Select(l => (l.Taker?.Value, l.Bus?.Value)));
    }
}
