using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Soundcheck;

/// <summary>Names against the wiring, as somebody would look at it who wires a kit (common practice).</summary>
public class CalledOtherwiseTests
{
    private static readonly ChannelId Player = new("set");

    [Theory]
    [InlineData("Clap", "Hat closed,Hat open", true)]
    [InlineData("Clap", "Clap", false)]
    [InlineData("Toms", "Tom 1,Tom 2", false)]
    [InlineData("Kick", "Kick in,Kick out", false)]
    [InlineData("Hats", "Hat closed,Shaker", false)] // a hat is in it
    [InlineData("Clap", "Hat closed,Blip", false)] // a blip could be a clap
    [InlineData("My favourite", "Kick", false)]
    [InlineData("Pad 3", "Kick", false)]
    [InlineData("Sub", "Kick", false)]
    [InlineData("Snare", "Overheads", true)]
    public void Look_AtWhatASplitIsCalledAndCarries(string name, string carries, bool isFound)
    {
        var kit = new Kit([Piece.Pad("Else", 1, "", 1, DrumSound.Clap), .. carries.Split(',').Select((p, i) => Piece.Pad(p, 40 + i, "drums", 2, DrumSound.Clap))],
            [new("The rest", ChannelFormat.Stereo), new(name, ChannelFormat.Stereo)]);
        var template = OneBar(
            new AddChannel(new() { Id = Player, Name = "Set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, kit) }),
            new AddChannel(new() { Id = new("split"), Name = name, Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, 2) }));

        Assert.Equal(isFound, Found(template).Any());
    }

    [Fact]
    public void Mends_OfTwoThatAreSwapped_PutThePiecesBack_OrCallTheSplitsAnew()
    {
        var kit = new Kit([Piece.Pad("Hat closed", 42, "drums/hats", 3, DrumSound.ClosedHat), Piece.Pad("Clap", 39, "drums/hands", 2, DrumSound.Clap)],
            [new("The rest", ChannelFormat.Stereo), new("Hats", ChannelFormat.Stereo), new("Clap", ChannelFormat.Stereo)]);
        var template = OneBar(
            new AddChannel(new() { Id = Player, Name = "Set", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, kit) }),
            new AddChannel(new() { Id = new("two"), Name = "Hats", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, 2) }),
            new AddChannel(new() { Id = new("three"), Name = "Clap", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, 3) }));

        var finding = Assert.Single(Found(template));

        Assert.Equal("“Hats” carries Clap; “Clap” carries Hat closed.", finding.Sentence);
        Assert.Equal(["Put the pieces where the names say", "Call them after what they carry"], finding.Mends.Select(m => m.Name));
        var moved = ((InstrumentSource)template.With([.. finding.Mends[0].Edits]).Channels[Player].Source!).Kit!;
        Assert.Equal([2, 3], moved.Lines.Select(l => l.Output));
        var called = template.With([.. finding.Mends[1].Edits]);
        Assert.Equal(["Clap", "Hat closed"], new[] { "two", "three" }.Select(id => called.Channels[new ChannelId(id)].Name));
    }

    private static IEnumerable<Finding> Found(Template template) => Report.Of(template, "write").Open.Where(f => f.Rule == "called-otherwise");
}
