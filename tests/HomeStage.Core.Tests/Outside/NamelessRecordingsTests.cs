using HomeStage.Core.Outside;
using static HomeStage.Core.Tests.Outside.OutsideBench;

namespace HomeStage.Core.Tests.Outside;

/// <summary>Which channel a recording is of, where its name does not tell.</summary>
public sealed class NamelessRecordingsTests
{
    [Fact]
    public void FilesWithoutNames_AreKnownByTheirSound()
    {
        string[] plain = ["kick", "snare", "clap", "tom", "hats", "ride", "bass", "pad", "keys"];
        var files = Clean.Where(f => f.Name is not ("Main.wav" or "Mix bus.wav" or "Drums.wav" or "Rest.wav" or "Hall.wav" or "Echo.wav" or "Harbour kit.wav")).ToList();

        var answer = Check(files.Select((f, i) => f.Called($"Audio {i + 7}.wav").Gain(-3).Later(0.9)));

        Assert.Equal(plain.Order(StringComparer.Ordinal), answer.Recordings.Select(r => r.Channel?.Value ?? "").Order(StringComparer.Ordinal));
        Assert.All(answer.Recordings.Zip(files), r => Assert.Equal(r.Second.Name[..^4], OutsideBand.Template.Channels[r.First.Channel!.Value].Name));
        Assert.All(answer.Recordings, r => Assert.Equal(PlacedBy.Content, r.By));
        Assert.Empty(answer.Findings);
    }

    [Fact]
    public void FilesThatChangedTheirNames_AreSwapped_UnlessAPersonSaysWhatTheyAre()
    {
        var files = Clean.Where(f => f.Name is "Hats.wav" or "Ride.wav" or "Clap.wav" or "Tom low.wav" or "Fog.wav")
            .Select(f => f.Name switch { "Hats.wav" => f.Called("Ride.wav"), "Ride.wav" => f.Called("Hats.wav"), _ => f }).ToList();

        Assert.Equal("Hat closed and Ride have changed places: Hat closed is heard on Ride, Ride on Hats.", Assert.Single(Check(files).Findings).Words);
        var said = files.Select((f, i) => (f, i)).Where(f => f.f.Name is "Hats.wav" or "Ride.wav").ToDictionary(f => f.i, f => (ChannelId?)new ChannelId(f.f.Name == "Hats.wav" ? "ride" : "hats"));
        Assert.Empty(Check(files, said).Findings);
    }

    [Fact]
    public void OfTwoNamelessFiles_TheOneThatSoundsMostLikeIt_IsIt()
    {
        var clap = Clean.Single(f => f.Name == "Clap.wav");

        var answer = Check([clap.Plus(clap.Gain(-8), 0.3).Called("Take a.wav"), clap.Called("Take b.wav")]);

        Assert.Equal([null, "clap"], answer.Recordings.Select(r => r.Channel?.Value));
    }
}
