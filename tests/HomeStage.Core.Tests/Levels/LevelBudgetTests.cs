using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Levels;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Levels;

public class LevelBudgetTests(ITestOutputHelper output)
{
    // 20·log₁₀ 2 and 10·log₁₀ 2.
    private const double Twice = 6.0206;
    private const double TwiceThePower = 3.0103;

    // A sine of −6 dBFS on both sides is −6 LUFS at 1 kHz (EBU Tech 3341); the budget counts no frequencies.
    private const double ToneLufs = -6;

    [Fact]
    public void TwoDifferentSources_AddAsPowers_AndAtWorstAsAmplitudes()
    {
        var mix = Of(OneBar(Tone("a", "mix-bus"), Tone("b", "mix-bus")), "mix-bus");

        Assert.Equal(ToneLufs + TwiceThePower, mix.ExpectedLufs!.Value, 0.001);
        Assert.Equal(ToneLufs + Twice, mix.WorstLufs!.Value, 0.001);
    }

    [Fact]
    public void OneSourceTwice_AddsAsAmplitudes_AndIsNamed()
    {
        var template = OneBar(Bus("sum", "mix-bus"), Tone("a", "sum"), new PutSend(new("a"), new(new("mix-bus"), new(0))));
        var budget = LevelBudget.Of(template, InMix);

        Assert.Equal(ToneLufs + Twice, Of(template, "mix-bus").ExpectedLufs!.Value, 0.001);
        Assert.Equal([new DoubledPath(new("a"), new("mix-bus"), Twice)], budget.Doubled.Select(d => d with { AddsDb = Math.Round(d.AddsDb!.Value, 4) }));
        // By what is heard, too.
        Assert.Equal(Lufs(template)!.Value, Of(template, "main").ExpectedLufs!.Value, 0.1);
    }

    [Theory]
    // A sine on both sides is as loud in LUFS as its peak is in dBFS (EBU Tech 3341): held at the ceiling it is the ceiling, else it is
    // turned by the input.
    [InlineData("limiter", 0, -20, -20)]
    [InlineData("limiter", 6, -1, -1)]
    [InlineData("limiter", -12, -1, ToneLufs - 12)]
    [InlineData("clipper", 0, -20, -20)]
    [InlineData("clipper", -12, -1, ToneLufs - 12)]
    public void LimiterAndClipper_HoldAtTheCeiling_OrTurnByTheirInput(string processor, double inputDb, double ceilingDb, double lufs)
    {
        var template = OneBar(Tone("a", "mix-bus", strip: Insert("hold", processor, ("input-db", inputDb), ("ceiling-db", ceilingDb))));

        Assert.Equal(lufs, Of(template, "mix-bus").ExpectedLufs!.Value, 0.01);
    }

    [Theory]
    [InlineData(3)]
    [InlineData(24)] // sixteen million ways
    public void PairsOfBusesWithinPairs_AddAsPowersAtEach_HoweverManyWaysThereAre(int pairs)
    {
        // Each bus does something of its own, so that no two ways are alike, and changes no level: it never comes to its threshold.
        List<Edit> edits = [Bus("p0", "mix-bus")];
        for (var i = 0; i < pairs; i++)
        {
            edits.Add(Bus($"p{i + 1}", $"p{i}"));
            foreach (var side in (string[])["l", "r"])
            {
                edits.Add(Bus($"{side}{i}", $"p{i}", Insert("work", "compressor", ("threshold-db", 0), ("ratio", 2 + i * 0.5 + (side == "l" ? 0.25 : 0)))));
                edits.Add(new PutSend(new($"p{i + 1}"), new(new($"{side}{i}"), new(0))));
            }

            edits.Add(new SetLevel(new($"p{i + 1}"), Decibels.Silence));
        }

        // The sums themselves are shut after their sends, which are taken before the fader.
        var shut = edits.Select(e => e is PutSend send ? send with { Send = send.Send with { Tap = TapPoint.Pre } } : e);
        var template = OneBar([.. shut, Tone("a", $"p{pairs}"), new SetLevel(new("a"), new(-190))]);

        var sum = Of(template, "p0");

        Assert.Equal(ToneLufs - 190 + pairs * TwiceThePower, sum.ExpectedLufs!.Value, 0.001);
        Assert.Equal(ToneLufs - 190 + pairs * Twice, sum.WorstLufs!.Value, 0.001);
    }

    [Fact]
    public void OneSourceTwiceUpsideDown_TakesItselfAway()
    {
        var template = OneBar(Bus("sum", "mix-bus"), Tone("a", "sum"), new SetPolarity(new("sum"), true), new PutSend(new("a"), new(new("mix-bus"), new(0))));

        Assert.Null(Of(template, "mix-bus").ExpectedLufs);
        Assert.Null(Assert.Single(LevelBudget.Of(template, InMix).Doubled).AddsDb);
        Assert.Null(Lufs(template));
    }

    [Fact]
    public void OneSourceTwice_WithOtherProcessingOnOneWay_AddsAsPowers()
    {
        var template = OneBar(Bus("sum", "mix-bus", Insert("d", "delay", ("wet-percent", 100))), Tone("a", "sum"), new PutSend(new("a"), new(new("mix-bus"), new(0))));

        Assert.Equal(ToneLufs + TwiceThePower, Of(template, "mix-bus").ExpectedLufs!.Value, 0.001);
        Assert.Empty(LevelBudget.Of(template, InMix).Doubled);
    }

    [Theory]
    // Common practice of consoles and closed forms: −3.01 dB at the centre of a constant-power law, on both sides again the same power.
    [InlineData(0, ToneLufs - TwiceThePower)]
    [InlineData(-1, ToneLufs - TwiceThePower)]
    public void AMonoChannel_KeepsItsPowerWhereverItIsPanned(double pan, double lufs)
    {
        Assert.Equal(lufs, Of(OneBar(Tone("a", "mix-bus", ChannelFormat.Mono), new SetPan(new("a"), pan)), "mix-bus").ExpectedLufs!.Value, 0.001);
    }

    [Fact]
    public void FadersSendsAndGains_TurnByTheirDb()
    {
        var template = OneBar(Bus("sum", "mix-bus", Insert("g", "gain", ("gain-db", -2))), Tone("a", "sum"), new SetLevel(new("a"), new(-4)), new SetLevel(new("sum"), new(-1)));

        Assert.Equal(ToneLufs - 7, Of(template, "mix-bus").ExpectedLufs!.Value, 0.001);
        Assert.Equal(3, LevelBudget.Of(template, InMix).GainTo(new("mix-bus"), ToneLufs - 4)!.Value, 0.001);
    }

    [Fact]
    public void ACompressor_TurnsDownByItsStaticCurve()
    {
        // One lane of the tone peaks at −6 dBFS: 14 dB over −20, so 4:1 leaves 3.5 of them.
        var template = OneBar(Tone("a", "mix-bus", ChannelFormat.Stereo, Insert("c", "compressor", ("threshold-db", -20), ("ratio", 4), ("knee-db", 0))));

        Assert.Equal(ToneLufs - 10.5, Of(template, "mix-bus").ExpectedLufs!.Value, 0.01);
    }

    [Fact]
    public void WhatIsMutedOrPlaysNothing_IsSilent()
    {
        var template = OneBar(Tone("a", "mix-bus"), new SetMute(new("a"), true), Tone("b", "mix-bus"), new RemovePattern(new("b"), "Held"));

        Assert.Equal((null, null), (Of(template, "mix-bus").ExpectedLufs, Of(template, "mix-bus").WorstLufs));
        Assert.Null(LevelBudget.Of(template, InMix).GainTo(new("mix-bus"), -18));
    }

    [Fact]
    public void AnActThatIsNotThere_IsAnError()
    {
        Assert.Throws<ArgumentException>(() => LevelBudget.Of(OneBar(), "encore"));
    }

    /// <summary>Templates by chance, each of two to nine stand-ins that play their calibration phrases under buses: the
    /// prediction against BS.1770 loudness of the render. The spread is the measure; the bounds only say that it is a prediction.</summary>
    [Fact]
    public void RandomTemplates_AreRenderedWithinAFewLuOfWhatIsPredicted()
    {
        var errors = Enumerable.Range(0, Runs.Of(10, 100)).Select(seed => new Random(seed)).Select(Chance).Select(t => Of(t, "main").ExpectedLufs!.Value - Lufs(t)!.Value).Order().ToList();
        var mean = errors.Average();
        var spread = Math.Sqrt(errors.Average(e => (e - mean) * (e - mean)));

        output.WriteLine($"predicted over rendered: mean {mean:0.00} LU, spread {spread:0.00}, from {errors[0]:0.0} to {errors[^1]:0.0}");
        Assert.True(Math.Abs(mean) < 2 && spread < 3, $"mean {mean:0.00} LU, spread {spread:0.00}");
    }

    private static Template Chance(Random random)
    {
        double Db(double low, double high) => Math.Round(low + (high - low) * random.NextDouble(), 1);
        var kinds = InstrumentCatalogue.All.Where(k => k.Kit is null && k.CalibrationNotes.Count > 0).ToList();
        var edits = new List<Edit> { Bus("one", "mix-bus"), Bus("two", "mix-bus", Insert("eq", "equaliser", ("high-shelf-db", Db(-4, 4)))) };
        for (var i = 0; i < 2 + random.Next(8); i++)
        {
            var played = CalibrationStage.Of(kinds[random.Next(kinds.Count)]).Channels.Single(c => c.Kind == ChannelKind.Instrument);
            edits.Add(new AddChannel(played with
            {
                Id = new($"p{i}"),
                Name = $"Part {i}",
                Destination = new(random.Next(2) == 0 ? "one" : "two"),
                Level = new(Db(-15, 3)),
                Pan = Db(-1, 1),
                Inserts = random.Next(2) == 0 ? [Insert("c", "compressor", ("threshold-db", Db(-30, -10)), ("ratio", Db(1.5, 6)))] : [],
            }));
        }

        return OneBar([.. edits]).With(new SetTimeline(new(120, new(4, 4), [new("Song", 4)])));
    }

    private static PredictedLevel Of(Template template, string channel) => LevelBudget.Of(template, InMix).Levels.Single(l => l.Channel.Value == channel);

    private static double? Lufs(Template template) => Renderer.Render(template, new(InMix)).LoudnessLufs;
}
