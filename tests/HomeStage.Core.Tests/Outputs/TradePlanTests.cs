using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>The plans that the trade makes by hand (common practice, no source).</summary>
public sealed class TradePlanTests
{
    [Fact]
    public void AFiveWaySplit_IsKickSnareTomsMetalAndRooms()
    {
        PlanPiece[] set =
        [
            new("Kick in", "drums/kick", Importance: 3), new("Kick out", "drums/kick", Importance: 3),
            new("Snare top", "drums/snare", Importance: 3), new("Snare bottom", "drums/snare", Importance: 3),
            new("Tom high", "drums/toms", Importance: 2), new("Tom middle", "drums/toms", Importance: 2), new("Tom floor", "drums/toms", Importance: 2),
            new("Hat closed", "drums/hats"), new("Hat open", "drums/hats"), new("Ride", "drums/cymbals"), new("Crash", "drums/cymbals"),
            new("Overheads", "drums/overheads", ChannelFormat.Stereo),
            new("Room near", "drums/rooms", ChannelFormat.Stereo, 3), new("Room far", "drums/rooms", ChannelFormat.Stereo, 3),
        ];

        var five = Plan(set, 8, JackUse.Pairs, 5);

        Assert.Equal(["Kick", "Snare", "Toms", "Hats, cymbals and overheads", "Rooms"], five.Groups.Select(g => g.Name));
        // The first pair is kept for the rest: 3–4, 5–6, 7–8, 9–10, 11–12.
        Assert.Equal(["3–4", "5–6", "7–8", "9–10", "11–12"], five.Groups.Select(g => $"{g.FirstJack + 2}–{g.FirstJack + 3}"));
    }

    [Fact]
    public void ACommonKit_OverFivePairs_KeepsItsHatsTogether()
    {
        PlanPiece[] set =
        [
            new("Kick", "drums/kick", Importance: 3), new("Snare", "drums/snare", Importance: 3), new("Rim", "drums/snare"), new("Clap", "drums/hands"),
            new("Tom high", "drums/toms"), new("Tom low", "drums/toms"), new("Hat closed", "drums/hats"), new("Hat foot", "drums/hats"), new("Hat open", "drums/hats"),
            new("Ride", "drums/cymbals"), new("Crash", "drums/cymbals"), new("Shaker", "percussion/shakers"),
        ];

        foreach (var plan in ((PlanResult.Planned)OutputPlanner.Plans(set, 11, JackUse.Pairs)).Plans)
            Assert.DoesNotContain(plan.Groups, g => g.Pieces.Any(i => set[i].Family == "drums/hats") && g.Pieces.Any(i => set[i].Family != "drums/hats") && g.Pieces.Count(i => set[i].Family == "drums/hats") < 3);
        // A lone shaker is no reason for an output of its own: it may go with the cymbals.
        Assert.Contains(((PlanResult.Planned)OutputPlanner.Plans(set, 5, JackUse.Pairs)).Plans[4].Groups, g => g.Pieces.Count > 1 && g.Pieces.Contains(11));
    }

    [Fact]
    public void PiecesKeptTogether_AndAFamilyKeptWhole_AreNeverParted()
    {
        PlanPiece[] set =
        [
            new("Kick", "drums/kick", Together: "low"), new("Snare", "drums/snare"), new("Tom high", "drums/toms"), new("Tom low", "drums/toms"),
            new("Boom", "percussion/skins", Together: "low"), new("Bell", "percussion/metal"),
        ];

        var plans = ((PlanResult.Planned)OutputPlanner.Plans(set, 8, JackUse.Pairs, ["drums/toms"])).Plans;

        Assert.All(plans, p => Assert.Contains(p.Groups, g => g.Pieces.Contains(0) && g.Pieces.Contains(4)));
        Assert.All(plans, p => Assert.Contains(p.Groups, g => g.Pieces.Contains(2) && g.Pieces.Contains(3)));
        // Four things to part: more outputs change nothing, and likeness is not whole.
        Assert.Equal([["Kick", "Boom"], ["Snare"], ["Tom high", "Tom low"], ["Bell"]], plans[^1].Groups.Select(g => g.Pieces.Select(i => set[i].Name)));
        Assert.Equal((4, false), (plans[^1].Outputs, plans[^1].LikenessPercent == 100));
    }

    [Theory]
    [InlineData(2, 99)] // one pair of pads in a hundred kinds of company is still a pair
    [InlineData(100, 100)]
    public void Likeness_IsWholeOnlyWhereNothingShares(int sharing, int percent)
    {
        var set = Enumerable.Range(0, 30).Select(i => new PlanPiece($"Pad {i}", $"a/{i}", Importance: i < 2 ? 1 : 9)).ToArray();
        var plans = ((PlanResult.Planned)OutputPlanner.Plans(set, 64, JackUse.Pairs)).Plans;

        Assert.Equal(percent, plans[sharing == 2 ? ^2 : ^1].LikenessPercent);
    }

    [Fact]
    public void SixteenMonoPieces_OnEightPairs_StandOddLeftAndEvenRight()
    {
        var plan = Plan(Pads(16), 8, JackUse.Halves, 8);

        Assert.Equal(Enumerable.Range(1, 16), plan.Groups.Select(g => g.FirstJack));
        Assert.All(plan.Groups, g => Assert.Equal((ChannelFormat.Mono, 1), (g.Format, g.Pieces.Count)));
    }

    [Fact]
    public void EighteenPieces_OnEighteenPairs_AscendFromOneAndTwo()
    {
        var plan = Plan(Pads(18), 18, JackUse.Pairs, 18);

        Assert.Equal(Enumerable.Range(0, 18).Select(i => 2 * i + 1), plan.Groups.Select(g => g.FirstJack));
        Assert.Equal(Enumerable.Range(0, 18), plan.Groups.Select(g => g.Pieces.Single()));
        Assert.Equal(1, plan.LikenessKept);
    }

    [Fact]
    public void SixteenPads_OnAMixerOfFourteen_OverflowByTwo()
    {
        var plan = Plan(Pads(16), 14, JackUse.Singles, 14);

        // Two share with a neighbour each: cheaper than three on one.
        Assert.Equal(12, plan.Groups.Count(g => g.Pieces.Count == 1));
        Assert.Equal(2, plan.Groups.Count(g => g.Pieces.Count == 2));
    }

    [Fact]
    public void AStereoPieceAmongMonoOnes_TakesAWholePair_AndTheOpenHalfIsTakenByTheNextMonoOne()
    {
        PlanPiece[] pieces = [new("One", "a/one"), new("Wide", "a/two", ChannelFormat.Stereo), new("Three", "a/three"), new("Four", "a/four")];

        // 2·1 + 3 = 5 jacks: three pairs.
        var plan = Plan(pieces, 4, JackUse.Halves, 3);

        Assert.Equal([("One", 1), ("Three", 2), ("Wide", 3), ("Four", 5)], plan.Groups.Select(g => (g.Name, g.FirstJack)));
    }

    private static PlanPiece[] Pads(int count) => [.. Enumerable.Range(1, count).Select(i => new PlanPiece($"Pad {i}", "pads"))];

    private static OutputPlan Plan(PlanPiece[] pieces, int outputs, JackUse use, int count) =>
        ((PlanResult.Planned)OutputPlanner.Plans(pieces, outputs, use)).Plans.Single(p => p.Outputs == count);
}
