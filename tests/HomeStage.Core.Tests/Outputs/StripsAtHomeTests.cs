using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.Core.Tests.Outputs.ThreePieces;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>A strip belongs to the pieces that it was made for, through all plans in between.</summary>
public class StripsAtHomeTests
{
    /// <summary>The strip of both toms waits, or is remembered for a split that is gone: only one that waits keeps another's from its pieces.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Coarser_GivesPiecesTheirOwnStripThatWaits_AndAnothersWhereTheirOwnIsGone(bool isGone)
    {
        var fine = Applied(Whole, 2);
        var high = fine.Channels.Single(c => c.Name == "Tom high").Id;
        var own = new AsideSplit(new() { Id = new("both"), Name = "Both", Kind = ChannelKind.Split, Level = new(-7), Source = new OutputSource(Player, 2) }, ["Tom high", "Tom low"], ["48", "45"], []) { Stays = isGone };

        var coarse = Applied(fine.With(new SetLevel(high, new(-2)), new PutAside(own)), 1);

        var toms = coarse.Channels.Single(c => c.Kind == ChannelKind.Split && !c.Name.StartsWith("Kick", StringComparison.Ordinal));
        Assert.Equal(isGone ? new Decibels(-2) : new Decibels(-7), toms.Level);
        Assert.Equal(!isGone, coarse.Aside.Any(a => a.Split.Id == high && !a.Stays));
    }

    /// <summary>Each of three toms is worked on. The high one goes on with the middle one; then the low one, which matters most, takes all: what was
    /// remembered of the high one is what is put aside, and nothing is remembered for a split that is gone.</summary>
    [Fact]
    public void AStripThatCarriedOthersToo_IsPutAsideForItsOwnPieceAlone()
    {
        var three = new Kit(
            [
                Set.Pieces[0], Piece.Pad("Tom high", 48, "drums/toms/rack", 1, DrumSound.HighTom), Piece.Pad("Tom middle", 47, "drums/toms/rack", 1, DrumSound.HighTom),
                Piece.Pad("Tom low", 45, "drums/toms", 1, DrumSound.LowTom) is var low ? low with { Microphones = [low.Microphones[0] with { Importance = 5 }] } : low,
            ],
            [.. Enumerable.Range(1, 5).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        var finest = Applied(Whole.With(new SetSource(Player, new InstrumentSource(InstrumentCatalogue.Tidewater, three))), 3);
        var levels = new Dictionary<string, double> { ["Tom high"] = -1, ["Tom middle"] = -2, ["Tom low"] = -3 };
        var dressed = finest.With([.. levels.Select(l => new SetLevel(finest.Channels.Single(c => c.Name == l.Key).Id, new(l.Value)))]);

        var racked = Applied(dressed, 2);
        var all = Applied(racked, 1);
        var again = Applied(all, 3);

        Assert.Single(racked.Aside, a => a.Stays);
        Assert.All(all.Aside.Where(a => a.Stays), a => Assert.True(all.Channels.Contains(a.Split.Id)));
        Assert.Equal(all.Aside.Count, all.Aside.Select(a => string.Join(',', a.Lines)).Distinct().Count());
        Assert.All(levels, l => Assert.Equal(new Decibels(l.Value), Carrying(again, l.Key).Level));
        Assert.Empty(again.Aside);
    }

    /// <summary>A pair that was turned as a whole comes back on a mono output: that has its place from its piece.</summary>
    [Fact]
    public void Finer_OnOutputsThatBecameMono_TakesThePlaceOfThePiece()
    {
        var fine = Applied(Whole.With(new SetSource(Player, new InstrumentSource(InstrumentCatalogue.OwnMachine, Set))), 2);
        var (high, low) = (fine.Channels.Single(c => c.Name == "Tom high").Id, fine.Channels.Single(c => c.Name == "Tom low").Id);
        var coarse = Applied(fine.With(new SetLevel(high, new(-2)), new SetLevel(low, new(-2)), new SetPan(high, -0.4), new SetPan(low, -0.4)), 1);
        var aside = Assert.Single(coarse.Aside, a => !a.Stays);
        var kit = ((InstrumentSource)coarse.Channels[Player].Source!).Kit!;
        var narrow = kit with { Outputs = [.. kit.Outputs.Select(o => o with { Format = ChannelFormat.Mono })], Jacks = JackUse.Singles };
        var splits = coarse.Channels.Where(c => c.Kind == ChannelKind.Split).Select(c => new TakenOutput(c.Id, ((OutputSource)c.Source!).Output, c.Name, ChannelFormat.Mono, 0)).ToSequence();
        var mono = coarse.With(new SetOutputs(Player, narrow, splits));

        var back = Applied(mono, 2).Channels.Single(c => c.Name == aside.Lines[0]);
        var plain = Applied(mono.With(new RemoveAside(aside.Split.Id)), 2).Channels.Single(c => c.Name == aside.Lines[0]);

        Assert.Equal((new Decibels(-2), ChannelFormat.Mono, plain.Pan), (back.Level, back.Format, back.Pan));
        Assert.NotEqual(-0.4, plain.Pan);
    }

    private static Channel Carrying(Template template, string piece)
    {
        var kit = ((InstrumentSource)template.Channels[Player].Source!).Kit!;
        return template.Channels.Single(c => c.Source is OutputSource source && source.Instrument == Player && source.Output == kit.Lines.Single(l => l.Name == piece).Output);
    }
}
