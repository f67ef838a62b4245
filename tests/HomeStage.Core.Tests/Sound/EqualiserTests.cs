using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Processors;

namespace HomeStage.Core.Tests.Sound;

public class EqualiserTests
{
    /// <summary>A Butterworth filter of order n: |H|² = 1 / (1 + (fc/f)^2n), S. Butterworth 1930; at low frequencies the
    /// bilinear transform changes it by less than a tenth of a dB.</summary>
    [Theory]
    [InlineData(0, 400, 2)]
    [InlineData(0, 100, 2)]
    [InlineData(1, 400, 4)]
    [InlineData(1, 200, 4)]
    [InlineData(1, 100, 4)]
    public void LowCut_FallsByItsSlope_AndIs3DbDownAtItsCorner(double slope, double hz, int order)
    {
        var output = Steady(Settings(("low-cut", 1), ("low-cut-hz", 400), ("low-cut-slope", slope)), hz);

        Assert.Equal(-10 * Math.Log10(1 + Math.Pow(400 / hz, 2 * order)), Signals.Db(output), 0.1);
    }

    [Theory]
    [InlineData(1000, 2)]
    [InlineData(2000, 4)]
    public void HighCut_FallsByItsSlope(double hz, int order)
    {
        var output = Steady(Settings(("high-cut", 1), ("high-cut-hz", 500), ("high-cut-slope", order == 4 ? 1 : 0)), hz);

        Assert.Equal(-10 * Math.Log10(1 + Math.Pow(hz / 500, 2 * order)), Signals.Db(output), 0.2);
    }

    [Fact]
    public void Notch_TakesItsCentreOut_AndLeavesAnOctaveAway()
    {
        var settings = Settings(("notch", 1), ("notch-hz", 1000), ("notch-q", 8));

        Assert.True(Signals.Db(Steady(settings, 1000)) < -80);
        // |H|² of a notch: 1 / (1 + 1 / (Q·(f/f₀ − f₀/f))²).
        Assert.Equal(-10 * Math.Log10(1 + 1 / Math.Pow(8 * 1.5, 2)), Signals.Db(Steady(settings, 2000)), 0.02);
    }

    /// <summary>Oversampled, a bell near half the sample rate keeps the shape of its analogue model:
    /// H(s) = (s² + s·A/Q + 1) / (s² + s/(A·Q) + 1), the cookbook's prototype.</summary>
    [Fact]
    public void TwiceTheRate_KeepsABellNearItsAnalogueShape()
    {
        const double CentreHz = 14000, GainDb = 12, Q = 1;
        (string, double)[] bell = [("bell-1-hz", CentreHz), ("bell-1-db", GainDb), ("bell-1-q", Q)];
        double Analogue(double hz)
        {
            var (s, a) = (new System.Numerics.Complex(0, hz / CentreHz), Math.Pow(10, GainDb / 40));
            return Signals.Db(((s * s + s * a / Q + 1) / (s * s + s / (a * Q) + 1)).Magnitude);
        }

        double[] places = [9000, 12000, 17000];
        double Off((string, double)[] settings) => places.Max(hz => Math.Abs(Analogue(hz) - Signals.Db(Steady(Settings(settings), hz))));

        Assert.True(Off([.. bell, ("oversampled", 1)]) < 1, $"{Off([.. bell, ("oversampled", 1)])}");
        Assert.True(Off(bell) > 2, $"{Off(bell)}");
    }

    [Theory]
    [InlineData(EqualiserPart.Left, true, false)]
    [InlineData(EqualiserPart.Right, false, true)]
    public void OnOneSide_TheOtherStaysAsItIs(EqualiserPart part, bool left, bool right)
    {
        var sine = Signals.Sine(1000, 0.5, Signals.Rate);
        var output = Signals.Through(new EqualiserProcessor(Settings(("bell-2-hz", 1000), ("bell-2-db", 6), ("part", (double)part)), 2, Signals.Rate), [sine, sine]);

        double Gain(int lane) => Signals.Db(Signals.Amplitude(output[lane].AsSpan(Signals.Rate / 2), 1000) / 0.5);
        Assert.Equal(left ? 6 : 0, Gain(0), 0.01);
        Assert.Equal(right ? 6 : 0, Gain(1), 0.01);
    }

    [Theory]
    [InlineData(EqualiserPart.Middle, 6, 0)]
    [InlineData(EqualiserPart.Sides, 0, 6)]
    public void OnTheMiddleOrTheSides_OnlyThatIsTurned(EqualiserPart part, double middleDb, double sidesDb)
    {
        var sine = Signals.Sine(1000, 0.5, Signals.Rate);
        var settings = Settings(("bell-2-hz", 1000), ("bell-2-db", 6), ("part", (double)part));
        double Gain(float[] right) =>
            Signals.Db(Signals.Amplitude(Signals.Through(new EqualiserProcessor(settings, 2, Signals.Rate), [sine, right])[0].AsSpan(Signals.Rate / 2), 1000) / 0.5);

        Assert.Equal(middleDb, Gain(sine), 0.01);
        Assert.Equal(sidesDb, Gain([.. sine.Select(s => -s)]), 0.01);
    }

    /// <summary>At its corner a second-order cut has a gain of its Q (Audio EQ Cookbook); of two in a row the product of theirs.</summary>
    [Theory]
    [InlineData("low-cut", 0, 120, 0.5)]
    [InlineData("low-cut", 1, 120, 4)]
    [InlineData("high-cut", 0, 100, 10)]
    [InlineData("high-cut", 1, 100, 2)]
    public void ACut_RingsAtItsCorner_ByItsResonance(string cut, double slope, double hz, double q)
    {
        var settings = Settings((cut, 1), ($"{cut}-slope", slope), ($"{cut}-hz", hz), ($"{cut}-q", q));

        Assert.Equal(20 * Math.Log10(q), Signals.Db(Steady(settings, hz)), 0.02);
    }

    [Fact]
    public void AllEightSectionsWithSteepCuts_AreTheirLaw()
    {
        var settings = Settings(
            ("low-cut", 1), ("low-cut-slope", 1), ("low-shelf-db", 4), ("bell-1-db", -6), ("bell-2-db", 5), ("bell-3-db", -4), ("notch", 1),
            ("high-shelf-db", -3), ("high-cut", 1), ("high-cut-slope", 1));
        var law = EqualiserLaw.Sections(settings, Signals.Rate);

        Assert.Equal(10, law.Count);
        foreach (var hz in new[] { 100.0, 400, 1500, 4000, 9000 })
            Assert.Equal(EqualiserLaw.GainDb(law, hz, Signals.Rate), Signals.Db(Steady(settings, hz)), 0.01);
    }

    [Fact]
    public void Retune_GoesOnFromWhereItWas_WithoutAJump()
    {
        var equaliser = new EqualiserProcessor(Settings(("bell-1-hz", 300), ("bell-1-db", 6)), 1, Signals.Rate);
        var sine = Signals.Sine(100, 0.5, Signals.Rate);
        var before = Signals.Through(equaliser, sine[..24000]);
        equaliser.Retune(Settings(("bell-1-hz", 300), ("bell-1-db", 5.9)));
        var after = Signals.Through(equaliser, sine[24000..]);

        var largestStep = before[12000..].Zip(before[12001..]).Max(x => Math.Abs(x.Second - x.First));
        Assert.True(Math.Abs(after[0] - before[^1]) < 1.2 * largestStep);
    }

    private static double Steady(Map<double> settings, double hz)
    {
        var output = Signals.Through(new EqualiserProcessor(settings, 1, Signals.Rate), Signals.Sine(hz, 0.5, 2 * Signals.Rate));
        return Signals.Amplitude(output.AsSpan(Signals.Rate), hz) / 0.5;
    }

    private static Map<double> Settings(params (string Id, double Value)[] values) =>
        values.Aggregate(Map<double>.Empty, (map, v) => map.With(v.Id, v.Value));
}
