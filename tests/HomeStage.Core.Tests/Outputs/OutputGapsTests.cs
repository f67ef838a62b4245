using HomeStage.Core.Catalogue;
using HomeStage.Core.Kits;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>Outputs that are left out between others, found and closed.</summary>
public class OutputGapsTests
{
    private static readonly ChannelId Player = new("set");

    [Fact]
    public void Closing_TwoGaps_PutsThemBehindWhatIsInUse_WithTheSplitsAndTheNames()
    {
        var template = Stage("2 4 6", ("kick", 2), ("snare", 4), ("hats", 6));

        var closed = template.With([.. Assert.Single(Found(template)).Mends[0].Edits]);

        var kit = closed.KitOf("set")!;
        Assert.Equal(["Out 1", "Out 2", "Out 4", "Out 6", "Out 7", "Out 3", "Out 5"], kit.Outputs.Select(o => o.Name));
        Assert.Equal([2, 3, 4], kit.Lines.Select(l => l.Output));
        Assert.Equal([("kick", 2), ("snare", 3), ("hats", 4)], closed.Channels.Where(c => c.Kind == ChannelKind.Split).Select(c => (c.Id.Value, ((OutputSource)c.Source!).Output)));
        Assert.Empty(Found(closed));
    }

    /// <summary>A split that waits for what is not there yet takes its output; so does a piece without one.</summary>
    [Theory]
    [InlineData("2 4", 3)]
    [InlineData("2 3 4", 4)]
    public void Found_IsNoOutputThatASplitOrAPieceTakes(string pieces, int split) =>
        Assert.Empty(Found(Stage(pieces, ("kick", 2), ("else", split), ("last", 4))));

    /// <summary>Half a pair that no mono piece was left for is no gap.</summary>
    [Fact]
    public void Found_IsNoHalfOfAPairThatIsLeftOver()
    {
        var kit = new Kit(
            [Piece.Pad("Kick", 36, "drums", 2, DrumSound.Kick), Piece.Pad("Snare", 38, "drums", 4, DrumSound.Snare)],
            [new("The rest", ChannelFormat.Stereo), new("Kick", ChannelFormat.Mono), new("Output 3", ChannelFormat.Mono), new("Snare", ChannelFormat.Stereo)]);

        Assert.Empty(Found(Stage("2 4", ("kick", 2), ("snare", 4)).With(new Core.Editing.SetSource(Player, new InstrumentSource(InstrumentCatalogue.OwnMachine, kit)))));
    }

    [Fact]
    public void Found_IsAWholePairThatIsLeftOut()
    {
        var kit = new Kit(
            [Piece.Pad("Kick", 36, "drums", 2, DrumSound.Kick), Piece.Pad("Snare", 38, "drums", 4, DrumSound.Snare)], [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Out {n}", ChannelFormat.Stereo))]);
        var template = Stage("2 4", ("kick", 2), ("snare", 4)).With(new Core.Editing.SetSource(Player, new InstrumentSource(InstrumentCatalogue.OwnMachine, kit)));

        Assert.Equal(["Out 1", "Out 2", "Out 4", "Out 3"], template.With([.. Assert.Single(Found(template)).Mends[0].Edits]).KitOf("set")!.Outputs.Select(o => o.Name));
    }

    [Theory]
    [InlineData("1")]
    [InlineData("2")]
    [InlineData("1 2")]
    public void Found_IsNothing_WhereAllLeavesByTheFirstOutputs(string pieces) => Assert.Empty(Found(Stage(pieces)));

    private static Template Stage(string outputs, params (string Id, int Output)[] splits) => OneBar([
        new Core.Editing.AddChannel(new()
        {
            Id = Player,
            Name = "Set",
            Kind = ChannelKind.Instrument,
            Destination = EmptyStage.MixBus,
            Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, new(
                [.. outputs.Split(' ').Select((o, i) => Piece.Pad($"Piece {i}", 40 + i, "drums", int.Parse(o, System.Globalization.CultureInfo.InvariantCulture), DrumSound.Clap))],
                [.. Enumerable.Range(1, 7).Select(n => new KitOutput($"Out {n}", ChannelFormat.Mono))])),
        }),
        .. splits.DistinctBy(s => s.Output).OrderBy(s => s.Output).Select(s => new Core.Editing.AddChannel(new()
        { Id = new(s.Id), Name = s.Id, Kind = ChannelKind.Split, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, s.Output) })),
    ]);

    private static IEnumerable<Finding> Found(Template template) => Report.Of(template, "write").Open.Where(f => f.Rule == "output-numbering");
}
