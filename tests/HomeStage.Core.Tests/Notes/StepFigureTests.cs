using HomeStage.Core.Notes;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Tests.Notes;

public class StepFigureTests
{
    /// <summary>Common practice; in eighths of the bar, of which a quarter has two.</summary>
    [Theory]
    [InlineData(4, 4, "every beat", new[] { 0.0, 2, 4, 6 })]
    [InlineData(4, 4, "off the beat", new[] { 1.0, 3, 5, 7 })]
    [InlineData(4, 4, "the backbeat", new[] { 2.0, 6 })]
    [InlineData(4, 4, "the downbeat", new[] { 0.0 })]
    [InlineData(4, 4, "every half beat", new[] { 0.0, 1, 2, 3, 4, 5, 6, 7 })]
    [InlineData(3, 4, "every beat", new[] { 0.0, 2, 4 })]
    [InlineData(6, 8, "every beat", new[] { 0.0, 3 })]
    [InlineData(6, 8, "off the beat", new[] { 2.0, 5 })]
    [InlineData(6, 8, "the backbeat", new[] { 3.0 })]
    [InlineData(6, 8, "every third of a beat", new[] { 0.0, 1, 2, 3, 4, 5 })]
    [InlineData(7, 8, "every beat", new[] { 0.0, 1, 2, 3, 4, 5, 6 })]
    [InlineData(7, 8, "off the beat", new[] { 0.5, 1.5, 2.5, 3.5, 4.5, 5.5, 6.5 })]
    [InlineData(2, 2, "the backbeat", new[] { 4.0 })]
    public void AFigure_LiesWhereItsNameSays(int beats, int unit, string name, double[] eighths) =>
        Assert.Equal(eighths, StepFigure.In(new(beats, unit)).Single(f => f.Name == name).Ticks.Select(t => 2.0 * t / Ticks.PerQuarter));

    [Fact]
    public void EveryMeter_HasFiguresWithinItsBar_OfWhichNoTwoAreCalledAlike()
    {
        var meters = from beats in Enumerable.Range(1, 32) from unit in new[] { 1, 2, 4, 8, 16, 32 } select new Meter(beats, unit);

        Assert.All(meters, meter =>
        {
            var figures = StepFigure.In(meter).ToList();
            Assert.Equal(figures.Count, figures.DistinctBy(f => f.Name).Count());
            Assert.All(figures, f => Assert.True(f.Ticks.Count > 0 && f.Ticks[0] >= 0 && f.Ticks[^1] < meter.TicksPerBar && f.Ticks.Zip(f.Ticks.Skip(1)).All(p => p.First < p.Second)));
        });
    }
}
