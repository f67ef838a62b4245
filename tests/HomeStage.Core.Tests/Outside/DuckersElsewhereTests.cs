using HomeStage.Core.Editing;
using HomeStage.Core.Outside;
using HomeStage.TestKit;
using static HomeStage.Core.Tests.Outside.OutsideBench;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outside;

/// <summary>Duckers that do something else in a workstation.</summary>
public sealed class DuckersElsewhereTests
{
    [Theory]
    [InlineData("ratio", 2, "Low wire goes down by", Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    [InlineData("release-ms", 700, "Low wire is back after", Skip = Runs.InTheLongRun, SkipUnless = nameof(Runs.AreLong), SkipType = typeof(Runs))]
    [InlineData(null, 0, "Low wire does not give way under Kick; here it goes down by")]
    public void ADuckerThatWorksOtherwise_IsFound_WithItsFigures(string? parameter, double value, string words)
    {
        var answer = Faulty(parameter is null ? new RemoveFeed(new("kick"), new("bass"), new("duck")) : new SetParameter(new("bass"), new("duck"), parameter, value));

        Assert.All(answer.Findings, f => Assert.Equal(new("bass"), f.Channel));
        Assert.StartsWith(words, Assert.Single(answer.Findings).Words, StringComparison.Ordinal);
        // What does not go down is never back.
        Assert.Equal(parameter is null, answer.Duckers.Single().BackMs is null);
    }

    [Fact]
    public void ADuckersFigures_AreThoseOfTheGraphInFront()
    {
        var ducker = Check(Clean).Duckers.Single();

        // The same kick on the same compressor, asked of the ducking room: it reads the detector itself, not the sound.
        var song = Expected.Song.Template;
        var under = Song.Slots.OfType<DuckedSlot>().Single(s => s.HitSeconds is not null);
        var (run, why) = Core.Ducking.DuckingRun.Of(song, InMix, under.Section, ducker.Trial.Ducker);
        Assert.Null(why);
        Assert.Equal(run!.Reading.DepthDb, ducker.Db, 0.6);
        Assert.Equal(run.Reading.BackMs!.Value, ducker.BackMs!.Value, 25.0);
    }
}
