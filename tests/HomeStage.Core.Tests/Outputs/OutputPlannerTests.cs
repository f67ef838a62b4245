using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>Plans against every composition of random kits, and what must hold of any plan.</summary>
public sealed class OutputPlannerTests
{
    private static readonly string[] Families = ["drums/kick", "drums/snare", "drums/toms", "drums/toms/floor", "drums/cymbals", "percussion/wood", "percussion/metal/bells", "pads"];

    /// <summary>A kit, and families of it that are kept whole.</summary>
    public sealed record Pinned(PlanPiece[] Pieces, string[] Whole);

    public static Arbitrary<Pinned> Pins() => (
        from pieces in Kits().Generator
        from words in Gen.Frequency((6, Gen.Constant<string?>(null)), (1, Gen.Constant<string?>("a")), (1, Gen.Constant<string?>("b"))).ArrayOf(pieces.Length)
        from whole in Gen.Frequency((3, Gen.Constant<string[]>([])), (1, Gen.SubListOf(Families).Select(f => f.Take(2).ToArray())))
        select new Pinned([.. pieces.Zip(words, (p, word) => p with { Together = word })], whole)).ToArbitrary();

    public static Arbitrary<PlanPiece[]> Kits() => (
        from count in Gen.Choose(1, 12)
        from families in Gen.Elements(Families).ArrayOf(count)
        from importances in Gen.Choose(1, 4).ArrayOf(count)
        from stereo in Gen.Frequency((3, Gen.Constant(false)), (1, Gen.Constant(true))).ArrayOf(count)
        from stays in Gen.Frequency((8, Gen.Constant(PieceStay.ByPlan)), (1, Gen.Constant(PieceStay.Alone)), (1, Gen.Constant(PieceStay.OnFirst))).ArrayOf(count)
        select Enumerable.Range(0, count).Select(i => new PlanPiece($"Piece {i}", families[i], stereo[i] ? ChannelFormat.Stereo : ChannelFormat.Mono, importances[i], stays[i])).ToArray()).ToArbitrary();

    [Property(MaxTest = 150, Arbitrary = [typeof(OutputPlannerTests)])]
    public void Plans_ForEveryNumberOfOutputs_AreTheBestOfAllThatDivideNoFamilyWithOthers(Pinned kit, JackUse use)
    {
        const int outputs = 9;
        var pieces = kit.Pieces;
        var planned = OutputPlanner.Plans(pieces, outputs, use, kit.Whole) as PlanResult.Planned;
        for (var count = 1; count <= outputs; count++)
        {
            var best = Exhaustion.Best(pieces, count, use, kit.Whole);
            var plan = planned?.Plans.LastOrDefault(p => p.Outputs <= count);
            Assert.Equal(best is null, plan is null);
            if (best is null)
                continue;
            Assert.Equal(best.Value.Cost, plan!.Cost);
            Assert.Equal(best.Value.Runs, plan.Groups.Select(g => string.Join(',', g.Pieces)).Order(StringComparer.Ordinal));
        }
    }

    [Fact]
    public void LikenessKept_OfAPieceByItself_IsWhole()
    {
        var plans = ((PlanResult.Planned)OutputPlanner.Plans([new("Bell", "drums/metal")], 4, JackUse.Singles, [])).Plans;

        Assert.Equal(1, Assert.Single(plans).LikenessKept);
    }

    /// <summary>A single piece that is called as a family is keeps its name, and the family is called by what it holds.</summary>
    [Fact]
    public void Plans_WhereAPieceIsCalledAsAFamilyIs_NamesTheFamilyByItsEnds()
    {
        PlanPiece[] pieces = [new("Toms", "drums/found", Stay: PieceStay.Alone), new("High", "drums/toms"), new("Low", "drums/toms"), new("Bell", "percussion/metal")];

        var plan = ((PlanResult.Planned)OutputPlanner.Plans(pieces, 3, JackUse.Singles)).Plans[^1];

        Assert.Equal(["Bell", "High to low", "Toms"], plan.Groups.Select(g => g.Name).Order(StringComparer.Ordinal));
    }

    /// <summary>A path without a word is no family, so it holds nothing together.</summary>
    [Fact]
    public void Plans_WithAFamilyWithoutAName_KeepsNothingWhole()
    {
        PlanPiece[] pieces = [new("High", "drums/toms"), new("Low", "drums/toms"), new("Bell", "percussion/metal")];

        Assert.Equal(OutputPlanner.Plans(pieces, 3, JackUse.Singles), OutputPlanner.Plans(pieces, 3, JackUse.Singles, ["", "/"]));
    }

    [Fact]
    public void Plans_OfTwoPiecesOfNoImportance_TellTheFirst() =>
        Assert.Contains("The importance of High", Assert.IsType<PlanResult.Refused>(OutputPlanner.Plans([new("High", "drums/toms", Importance: 0), new("Low", "drums/toms", Importance: 10)], 3, JackUse.Singles)).Why.Sentence, StringComparison.Ordinal);

    /// <summary>By hand: two toms of a family are 2 apart, all else 4; all together cost 4·(3·3) + 4·4·3 + 2 = 86, the toms alone 2; 84 of 86 are 97.67 %.</summary>
    [Fact]
    public void LikenessPercent_IsRoundedDown_AndWholeOnlyWhereNothingShares()
    {
        PlanPiece[] pieces = [new("Kick", "drums/kick", ChannelFormat.Mono, 3), new("Snare", "drums/snare", ChannelFormat.Mono, 3), new("Tom high", "drums/toms", ChannelFormat.Mono, 1), new("Tom low", "drums/toms", ChannelFormat.Mono, 1)];

        var plans = ((PlanResult.Planned)OutputPlanner.Plans(pieces, 4, JackUse.Singles, [])).Plans;

        Assert.Equal([0, 69, 97, 100], plans.Select(p => p.LikenessPercent));
    }

    [Property(MaxTest = 200, Arbitrary = [typeof(OutputPlannerTests)])]
    public void Plans_HoldEveryPieceOnce_WithinTheJacks_PinsKept_Ascending(PlanPiece[] pieces, JackUse use)
    {
        if (OutputPlanner.Plans(pieces, 8, use) is not PlanResult.Planned { Plans: var plans })
            return;
        var standing = FamilyTree.Order([.. pieces.Select(p => p.Family)]);
        foreach (var plan in plans)
        {
            Assert.Equal(Enumerable.Range(0, pieces.Length), plan.Groups.SelectMany(g => g.Pieces).Concat(plan.OnFirst).Order());
            Assert.All(plan.OnFirst, i => Assert.Equal(PieceStay.OnFirst, pieces[i].Stay));
            Assert.All(plan.Groups.Where(g => g.Pieces.Any(i => pieces[i].Stay == PieceStay.Alone)), g => Assert.Single(g.Pieces));
            var jacks = plan.Groups.SelectMany(g => Enumerable.Range(g.FirstJack, g.Format == ChannelFormat.Mono ? 1 : 2)).ToList();
            Assert.Equal(jacks.Count, jacks.Distinct().Count());
            Assert.InRange(jacks.DefaultIfEmpty(1).Max(), 1, use == JackUse.Singles ? plan.Outputs : 2 * plan.Outputs);
            Assert.Equal(plan.Groups.Count, plan.Groups.Select(g => g.Name).Distinct().Count());
            if (use != JackUse.Halves)
                Assert.Equal(plan.Groups.Select(g => standing.ToList().IndexOf(g.Pieces[0])).Order(), plan.Groups.Select(g => standing.ToList().IndexOf(g.Pieces[0])));
            Assert.All(plan.Groups.Where(g => g.Format == ChannelFormat.Stereo), g => Assert.True(int.IsOddInteger(g.FirstJack)));
        }

        // More outputs never cost more.
        Assert.Equal(plans.Select(p => p.Cost).OrderDescending(), plans.Select(p => p.Cost));
    }

    [Fact]
    public void Plans_WithMorePinsThanOutputs_AreRefused()
    {
        PlanPiece[] pieces = [new("One", "a", Stay: PieceStay.Alone), new("Two", "a", Stay: PieceStay.Alone), new("Three", "a")];

        var refused = Assert.IsType<PlanResult.Refused>(OutputPlanner.Plans(pieces, 2, JackUse.Pairs));

        Assert.Equal("There is room for 1 pieces that keep an output to themselves.", refused.Why.Sentence);
        Assert.IsType<PlanResult.Planned>(OutputPlanner.Plans(pieces, 3, JackUse.Pairs));
    }

    /// <summary>A run is called by what it holds: a whole family by the family, up to three parts one by one, more by the first and the last. Names in capitals stay so.</summary>
    [Theory]
    [InlineData("Kick=drums/kick V=drums/v TR-hat=drums/hats", "Kick, TR-hat and V")]
    [InlineData("Kick=drums/kick Snare=drums/snare Shaker=perc/shaker", "Drums and shaker")]
    [InlineData("A=x/a B=x/b C=x/c D=x/d", "A to D")]
    [InlineData("High=drums/toms/high Low=drums/toms/low Crash=drums/cymbals", "Toms and crash")]
    [InlineData("Only=drums/kick", "Only")]
    public void ARun_IsCalledByWhatItHolds(string said, string name)
    {
        // One that is kept by itself belongs to the same families, so that none of them is whole but for those below.
        PlanPiece[] pieces = [.. said.Split(' ').Select(p => new PlanPiece(p.Split('=')[0], p.Split('=')[1])), new("Apart", said.Contains("perc", StringComparison.Ordinal) ? "else/one" : $"{said.Split('=')[1].Split('/')[0]}/apart", Stay: PieceStay.Alone)];

        var plan = ((PlanResult.Planned)OutputPlanner.Plans(pieces, 2, JackUse.Singles)).Plans[0];

        Assert.Contains(name, plan.Groups.Select(g => g.Name));
    }

    /// <summary>On halves of pairs a mono piece by itself takes one jack, a stereo one both; the rest needs one more, or two where any of it is stereo.</summary>
    [Theory]
    [InlineData("S S", 2, true)]
    [InlineData("S S m", 2, false)]
    [InlineData("S S m", 3, true)]
    [InlineData("M M M M", 2, true)]
    [InlineData("M M M m", 2, true)]
    [InlineData("M M M M m", 2, false)]
    [InlineData("M M M s", 2, false)]
    [InlineData("M M s", 2, true)]
    public void Plans_OnHalves_HaveRoomForWhatIsByItself_JackByJack(string said, int pairs, bool fits)
    {
        var pieces = said.Split(' ').Select((p, i) => new PlanPiece(
            $"Piece {i}", $"drums/{i}", p is "S" or "s" ? ChannelFormat.Stereo : ChannelFormat.Mono, Stay: char.IsUpper(p[0]) ? PieceStay.Alone : PieceStay.ByPlan)).ToList();

        Assert.Equal(fits, OutputPlanner.Plans(pieces, pairs, JackUse.Halves) is PlanResult.Planned { Plans.Count: > 0 });
    }

    [Theory]
    [InlineData(0, 4)]
    [InlineData(193, 4)]
    [InlineData(3, 0)]
    [InlineData(3, 65)]
    public void Plans_OutsideTheirRanges_AreRefused(int pieces, int outputs) =>
        Assert.IsType<PlanResult.Refused>(OutputPlanner.Plans([.. Enumerable.Range(0, pieces).Select(i => new PlanPiece($"{i}", "a"))], outputs, JackUse.Pairs));

    [Fact]
    public void Cost_OfOneRun_IsTheSumOverItsPairs()
    {
        // drums/toms beside drums/toms/floor: three edges; toms beside toms: two; importance weighs both ends.
        PlanPiece[] pieces = [new("High", "drums/toms"), new("Low", "drums/toms", Importance: 2), new("Floor", "drums/toms/floor", Importance: 3)];

        var plan = ((PlanResult.Planned)OutputPlanner.Plans(pieces, 1, JackUse.Pairs)).Plans[0];

        Assert.Equal(1 * 2 * 2 + 1 * 3 * 3 + 2 * 3 * 3, plan.Cost);
        Assert.Equal(0, plan.LikenessKept);
        Assert.Equal("Toms", plan.Groups[0].Name);
    }
}
