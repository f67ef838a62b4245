using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.LineChecks;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;
using HomeStage.Core.Tests.Outputs;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.LineChecks;

/// <summary>Coarse and fine sound alike, and where they cannot, it is said beforehand which pieces differ.</summary>
public class NullTestTests
{
    /// <summary>A jack without sides holds one place: what is wider, or shares it with what stands elsewhere, is heard from another place than before.
    /// Nothing else may differ.</summary>
    [Repeated(5, 100, Arbitrary = [typeof(RandomKits)])]
    public void Of_AnyTwoPlans_OnlyPiecesThatAJackWithoutSidesMoves_Differ(KitOnStage stage)
    {
        var one = Planned(stage.Template, stage.Choices[0]);
        var other = Planned(one, stage.Choices[1]);

        var heard = NullTest.Of(one, other, KitOnStage.Player, "write");

        var moved = Moved(stage.KitNow(one)).Concat(Moved(stage.KitNow(other))).ToHashSet();
        // What rings longer than a window is heard in the next one.
        var pieces = stage.Kit.Pieces.Select(p => p.Name).ToList();
        bool Rings(string piece) => pieces.IndexOf(piece) is > 0 and var at && moved.Contains(pieces[at - 1]);
        Assert.Empty(heard.Differing.Where(d => !moved.Contains(d.Piece) && !(Rings(d.Piece) && d.Dbfs < -60)).Select(d => $"{d.Piece} by {d.Dbfs:0.0} dBFS"));
        Assert.Equal(heard.SoundsAlike, heard.Differing.Count == 0);
    }

    [Fact]
    public void Of_TheSameTemplate_IsNothing()
    {
        var template = Planned(Kit(), 2);

        Assert.Null(NullTest.Of(template, template, KitOnStage.Player, "write").LargestDbfs);
    }

    /// <summary>Half the amplitude leaves the other half: the difference is 6.02 dB below the stroke itself (20·log10 of one half).</summary>
    [Fact]
    public void Of_OneSplitTurnedDownByHalf_TellsThePieceAndHowMuch()
    {
        var before = Planned(Kit(), 2);
        var snare = before.Channels.Single(c => c.Kind == ChannelKind.Split && c.Name == "Snare");
        var (half, silent) = (before.With(new SetLevel(snare.Id, new(20 * Math.Log10(0.5)))), before.With(new SetLevel(snare.Id, Decibels.Silence)));

        var byHalf = Assert.Single(NullTest.Of(before, half, KitOnStage.Player, "write").Differing);
        var whole = Assert.Single(NullTest.Of(before, silent, KitOnStage.Player, "write").Differing);

        Assert.Equal(("Snare", "Snare"), (byHalf.Piece, whole.Piece));
        // Six hundredths of a decibel: the fader glides into the stroke in neither.
        Assert.Equal(whole.Dbfs - 6.02, byHalf.Dbfs, 0.01);
    }

    /// <summary>Both sides count: what only one of them hears differs by as much, whichever it is.</summary>
    [Theory]
    [InlineData(-1)]
    [InlineData(1)]
    public void Of_WhatIsHeardOnOneSideAlone_CountsTheSame(double side)
    {
        var before = Planned(Kit(), 2);
        var snare = before.Channels.Single(c => c.Kind == ChannelKind.Split && c.Name == "Snare");
        var (aside, silent) = (before.With(new SetPan(snare.Id, side)), before.With(new SetPan(snare.Id, side), new SetLevel(snare.Id, Decibels.Silence)));

        var lost = Assert.Single(NullTest.Of(aside, silent, KitOnStage.Player, "write").Differing);

        Assert.Equal("Snare", lost.Piece);
        Assert.True(lost.Dbfs > -30, $"{lost.Dbfs}");
    }

    private static Template Kit() => EmptyStage.Create("Slate").With(new AddChannel(new()
    {
        Id = KitOnStage.Player,
        Name = "Kit",
        Kind = ChannelKind.Instrument,
        Destination = EmptyStage.MixBus,
        Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, new(
            [Piece.Pad("Kick", 36, "drums/kick", 1, DrumSound.Kick), Piece.Pad("Snare", 38, "drums/snare", 1, DrumSound.Snare, 0.25), Piece.Pad("Hat", 42, "drums/hats", 1, DrumSound.ClosedHat, -0.5)],
            [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))])),
    }));

    private static Template Planned(Template template, int choice)
    {
        var kit = ((InstrumentSource)template.Channels[KitOnStage.Player].Source!).Kit!;
        var plans = ((PlanResult.Planned)KitJacks.Of(kit).Plans(kit)).Plans;
        return template.With([.. SplitBatch.Of(template, KitOnStage.Player, plans[choice % plans.Count])]);
    }

    /// <summary>Names of pieces that are heard from elsewhere than where they stand.</summary>
    private static IEnumerable<string> Moved(Kit kit)
    {
        var lines = kit.Lines;
        var folded = lines.Where(l => kit.Outputs[l.Output - 1].Format == ChannelFormat.Mono
            && (l.Output == 1 ? l.Microphone.Pan != 0 || l.Piece is null : l.Microphone.Format == ChannelFormat.Stereo || l.Piece is null || lines.Any(o => o.Output == l.Output && o.Microphone.Pan != l.Microphone.Pan))).ToList();
        // Far microphones hear every piece, and so do those that hear their neighbours.
        return folded.Exists(l => l.Piece is null || l.Microphone.NeighboursDb is not null) ? kit.Pieces.Select(p => p.Name) : folded.Select(l => l.Piece!.Name);
    }
}
