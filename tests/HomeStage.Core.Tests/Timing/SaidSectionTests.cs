using HomeStage.Core.Timing;

namespace HomeStage.Core.Tests.Timing;

public class SaidSectionTests
{
    [Theory]
    [InlineData("Verse 8", "Verse", 8, null, null)]
    [InlineData("  Verse   12 bars ", "Verse", 12, null, null)]
    [InlineData("Long bridge 1 bar", "Long bridge", 1, null, null)]
    [InlineData("Crossing 6 4/4 104 BPM", "Crossing", 6, 104.0, "4/4")]
    [InlineData("Crossing 104bpm 4 / 4 6", "Crossing", 6, 104.0, "4/4")]
    [InlineData("Storm @ 96.5 3/4", "Storm", null, 96.5, "3/4")]
    [InlineData("Storm @96 bpm", "Storm", null, 96.0, null)]
    [InlineData("Verse 2 8", "Verse 2", 8, null, null)]
    [InlineData("7", "7", null, null, null)]
    [InlineData("3/4", "3/4", null, null, null)]
    [InlineData("96 bpm", "96 bpm", null, null, null)]
    [InlineData("Part 7/8 12/8", "Part 7/8", null, null, "12/8")]
    [InlineData("Take 4five", "Take 4five", null, null, null)]
    public void Read_TakesBarsMeterAndTempoOffTheEnd_EachOnce(string text, string name, int? bars, double? bpm, string? meter)
    {
        var said = SaidSection.Read(text);

        Assert.Equal((name, bars, bpm, meter), (said.Name, said.Bars, said.TempoBpm, said.Meter?.ToString()));
    }

    /// <summary>What is shown can be left as it is.</summary>
    [Theory]
    [InlineData("Verse", 8, null, null)]
    [InlineData("Crossing", 6, 104.25, "4/4")]
    [InlineData("Verse 2", 16, null, "7/8")]
    [InlineData("Calm", 1, 60.0, null)]
    public void Read_OfWhatIsWritten_IsTheSame(string name, int bars, double? bpm, string? meter)
    {
        var said = new SaidSection(name, bars, bpm, meter is null ? null : new(int.Parse(meter.Split('/')[0]), int.Parse(meter.Split('/')[1])));

        Assert.Equal(said, SaidSection.Read($"{said}"));
    }
}
