using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Outside;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.Core.Outside.FaultKind;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outside;

/// <summary>Faults that are planted into what a workstation gives back: each is found where it is, and none is invented.</summary>
public sealed class OutsideCheckTests
{
    private static readonly TestSong Song = TestSong.Of(OutsideBand.Template, InMix);
    private static readonly Reference Expected = Reference.Of(Song, new MemoryTapes());
    private static readonly IReadOnlyList<Recorded> Clean = new Workstation(Song).All();

    [Theory]
    [InlineData(-7.5, 44100, 2.345, 24)]
    [InlineData(4, 96000, -0.8, 24)]
    [InlineData(-14, 32000, 0.013, 16)]
    public void WhatWasSetUpRightly_HasNoFault_WhateverGainRateStartAndBits(double gainDb, int rateHz, double later, int bits)
    {
        string[] some = ["Drums.wav", "Snare.wav", "Hats.wav", "Fog.wav", "Low wire.wav", "Echo.wav", "Hall.wav", "Harbour kit.wav"];

        var answer = Check(Clean.Where(f => some.Contains(f.Name)).Select(f => f.Gain(gainDb).Later(later).At(rateHz).Bits(bits)));

        Assert.Equal([], answer.Findings.Select(f => f.Words));
        Assert.All(answer.Recordings, r => Assert.InRange(r.StartSeconds, later - 0.03, later + 0.03));
        Assert.All(answer.Rows, r => Assert.Equal(OutsideVerdict.Arrived, r.Verdict));
        // The instrument's own channel gives nothing: all its pieces leave by splits.
        Assert.Equal(answer.Recordings.Select(r => r.Channel!.Value).Where(c => c != OutsideBand.Player).Select(c => c.Value).Order(StringComparer.Ordinal), answer.Proven.Select(c => c.Value).Order(StringComparer.Ordinal));
        Assert.Contains(answer.Notes, n => n.Contains($"{Math.Abs(gainDb):0.0} dB {(gainDb < 0 ? "softer" : "louder")}", StringComparison.Ordinal));
    }

    [Fact]
    public void CablesInTheWrongPlaces_AreFound_WhereTheyAre()
    {
        var answer = Faulty(
            new SetSource(new("kick"), new OutputSource(OutsideBand.Player, 3)), new SetSource(new("snare"), new OutputSource(OutsideBand.Player, 2)),
            new SetOutputs(OutsideBand.Player, OutsideBand.Kit.At("Clap", m => m with { AlsoOnFirst = true }), []), new SetMute(new("ride"), true));

        Assert.Equal(
        [
            "Clap is heard on Harbour kit as well.", "Kick and Snare have changed places: Kick is heard on Snare, Snare on Kick.", "Ride is not heard.", "Rim is heard on Kick, not on Snare.",
        ], answer.Findings.Select(f => f.Words).Order(StringComparer.Ordinal));
        Assert.DoesNotContain(new ChannelId("kick"), answer.Proven);
        Assert.Contains(new ChannelId("hats"), answer.Proven);
        Assert.Equal(OutsideVerdict.Wrong, answer.Rows.Single(r => r.Slot.Name == "Ride").Verdict);
    }

    [Fact]
    public void NotesThatPlayAnotherPad_AreFound()
    {
        // Rim and snare leave by one jack: only their sound tells them apart.
        var swapped = OutsideBand.Kit.Pieces.Select(p => p.Name switch { "Snare" => p with { Note = 37 }, "Rim" => p with { Note = 38 }, _ => p }).ToSequence();

        var answer = Faulty(new SetSource(OutsideBand.Player, new InstrumentSource(InstrumentCatalogue.Breakwater, OutsideBand.Kit with { Pieces = swapped })));

        Assert.Equal(["Rim is heard where Snare is fired.", "Snare is heard on Snare where Rim is fired."], answer.Findings.Select(f => f.Words).Order(StringComparer.Ordinal));
    }

    [Fact]
    public void LevelTimeAndPolarity_AreMeasured_AndWhatFollowsFromThemIsNotSaidAgain()
    {
        var answer = Faulty(new SetLevel(new("hats"), new(3.5)), new SetPolarity(new("tom"), true), new SetLevel(new("hall"), new(-5)), new SetPan(new("clap"), 0.8));

        Assert.Equal(
            [(UpsideDown, "tom", "Tom low is upside down."), (Balance, "clap", "Clap stands 16.0 dB further right."), (Level, "hall", "Hall is 5.0 dB too soft."), (Level, "hats", "Hat closed is 3.5 dB too loud on Hats.")],
            answer.Findings.Select(f => (f.Kind, f.Channel.Value, f.Words)).OrderBy(f => f.Kind).ThenBy(f => f.Value));
    }

    [Fact]
    public void FilesThatWereMovedOrTurned_AreFound()
    {
        var files = Clean.Where(f => f.Name is not ("Main.wav" or "Mix bus.wav" or "Drums.wav" or "Rest.wav")).Select(f => f.Name switch
        {
            "Hats.wav" => f.Later(0.012),
            "Ride.wav" => f.Plus(f.Gain(-3), 0.009),
            "Clap.wav" => f.Gain(6.02),
            "Fog.wav" => f with { Lanes = [f.Lanes[0], [.. f.Lanes[1].Select(v => -v)]] },
            "Bells.wav" => f.Later(-0.020),
            "Hall.wav" => f with { Lanes = [f.Lanes[1], f.Lanes[0]] },
            _ => f,
        });

        var answer = Check(files.Select(f => f.Later(1.7).Gain(-9)));

        Assert.Equal(
        [
            "Bells comes 20.0 ms too soon.", "Clap is 6.0 dB too loud, as if it were there twice.", "Hat closed comes 12.0 ms too late on Hats.",
            "Left and right of Hall have changed places.", "Ride comes twice, the second 9 ms after the first.", "The right side of Fog is upside down.",
        ], answer.Findings.Select(f => f.Words).Order(StringComparer.Ordinal));
    }

    [Fact]
    public void DrySoundOnAReturn_IsFound()
    {
        var answer = Faulty(new SetParameter(new("hall"), new("verb"), "wet-percent", 50), new SetParameter(new("echo"), new("taps"), "wet-percent", 60));

        Assert.Equal([(Dry, "echo", "Dry sound of Bells comes with the effect on Echo."), (Dry, "hall", "Dry sound comes with the effect on Hall.")], answer.Findings.Select(f => (f.Kind, f.Channel.Value, f.Words)).OrderBy(f => f.Value));
    }

    [Fact]
    public void OnAReturnWithDrySound_NothingElseIsBlamed()
    {
        // A held tone is like its own echo: of it nobody can tell what is dry, and its level and place change.
        var song = TestSong.Of(OutsideBand.Template.With(new PutSend(new("pad"), new(new("hall"), new(-10)))), InMix);
        var here = Reference.Of(song, new MemoryTapes());
        var there = new Workstation(song, new SetParameter(new("hall"), new("verb"), "wet-percent", 60), new SetPan(new("clap"), 0));

        var answer = OutsideCheck.Of(here, [.. there.All().Select(f => here.Brought(f.Name, f.Lanes, f.SampleRateHz, new MemoryTapes()))]);

        Assert.All(answer.Findings, f => Assert.Equal((Dry, "hall"), (f.Kind, f.Channel.Value)));
        Assert.NotEmpty(answer.Findings);
    }

    [Theory]
    [InlineData("ratio", 2, "Low wire goes down by")]
    [InlineData("release-ms", 700, "Low wire is back after")]
    [InlineData(null, 0, "Low wire does not give way under Kick; here it goes down by")]
    public void ADuckerThatWorksOtherwise_IsFound_WithItsFigures(string? parameter, double value, string words)
    {
        var answer = Faulty(parameter is null ? new RemoveFeed(new("kick"), new("bass"), new("duck")) : new SetParameter(new("bass"), new("duck"), parameter, value));

        Assert.All(answer.Findings, f => Assert.Equal(new("bass"), f.Channel));
        Assert.StartsWith(words, Assert.Single(answer.Findings).Words, StringComparison.Ordinal);
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
    public void FilesThatWereEachMadeLoudAndCutByThemselves_AreJudgedWithin()
    {
        var chance = new Random(11);
        var files = Clean.Where(f => f.Lanes[0].Any(v => v != 0)).Select(f => f.Gain(-20 * Math.Log10(f.Lanes.Max(l => l.Max(Math.Abs)))).Later(chance.NextDouble() * 3 + 0.2));

        var answer = Check(files);

        Assert.Empty(answer.Findings);
        Assert.Contains("The recordings do not begin together, so none can be said to be late as a whole.", answer.Notes);
        Assert.Contains("Each was turned up by an amount of its own, so levels are judged within each recording alone.", answer.Notes);
    }

    [Fact]
    public void OtherInstruments_AreJudgedByWhatIsThere()
    {
        var other = new Workstation(
            Song, new SetSource(OutsideBand.Player, new InstrumentSource(InstrumentCatalogue.Breakwater, OutsideBand.Kit with { Pieces = OutsideBand.Kit.Pieces.Select(OutsideBand.AnotherSound).ToSequence() })),
            new SetSource(new("pad"), new InstrumentSource(InstrumentCatalogue.Reedbox)), new SetSource(new("keys"), new InstrumentSource(InstrumentCatalogue.Driftwood)), new SetSource(new("bass"), new InstrumentSource(InstrumentCatalogue.Reedbox)),
            new SetMute(new("ride"), true));

        var answer = Check(other.All().Where(f => f.Name is not ("Main.wav" or "Mix bus.wav" or "Drums.wav" or "Rest.wav")));

        Assert.Equal(["Ride is not heard."], answer.Findings.Select(f => f.Words));
        Assert.Contains(answer.Notes, n => n.StartsWith("Most of what came back is other sound", StringComparison.Ordinal));
    }

    [Fact]
    public void OfTwoNamelessFiles_TheOneThatSoundsMostLikeIt_IsIt()
    {
        var clap = Clean.Single(f => f.Name == "Clap.wav");

        var answer = Check([clap.Plus(clap.Gain(-8), 0.3).Called("Take a.wav"), clap.Called("Take b.wav")]);

        Assert.Equal([null, "clap"], answer.Recordings.Select(r => r.Channel?.Value));
    }

    [Fact]
    public void MonoRecordings_OfChannelsInTheMiddleAndAtASide_HaveNoFault()
    {
        // As a workstation writes mono channels: before the pan, so louder than a side of them here.
        var files = Clean.Select(f => f.Name is "Kick.wav" or "Snare.wav" or "Ride.wav" or "Hats.wav" or "Tom low.wav" ? f with { Lanes = [f.Lanes[0]] } : f).Select(f => f.Lanes.Count == 1 ? f.Gain(3.01) : f);

        var answer = Check(files);

        Assert.Empty(answer.Findings);
        Assert.Contains(new ChannelId("ride"), answer.Proven);
    }

    [Fact]
    public void AReturnThatIsHalfDryHere_IsNotBlamedForIt()
    {
        var half = Song with { Template = Song.Template.With(new SetParameter(new("hall"), new("verb"), "wet-percent", 45)) };
        var here = Reference.Of(half, new MemoryTapes());

        var answer = OutsideCheck.Of(here, [.. new Workstation(half).All().Select(f => here.Brought(f.Name, f.Lanes, f.SampleRateHz, new MemoryTapes()))]);

        Assert.Empty(answer.Findings);
    }

    [Fact]
    public void ARecordingThatEndsEarly_IsNotBlamedForWhatItLacks()
    {
        var answer = Check(Clean.Select(f => f.Name == "Fog.wav" ? f with { Lanes = [.. f.Lanes.Select(l => l[..(10 * 48000)])] } : f));

        Assert.Empty(answer.Findings);
        Assert.Contains("Fog.wav does not hold the whole test; what it lacks is not judged.", answer.Notes);
    }

    [Fact]
    public void FaultsByChance_AreAllFound_AndNoneIsInvented()
    {
        var first = Runs.AreLong ? 0 : Random.Shared.Next(1_000_000);
        for (var seed = first; seed < first + Runs.Of(1, 100); seed++)
        {
            var planted = new PlantedFaults(new Random(seed), Song);

            var found = Check(planted.Files).Findings.Select(f => (f.Kind, f.Channel.Value)).Distinct().Order().ToList();

            Assert.True(planted.Expected.Order().SequenceEqual(found), $"Seed {seed}: planted {string.Join(", ", planted.Expected.Order())}; found {string.Join(", ", found)}.");
        }
    }

    private static OutsideAnswer Faulty(params Edit[] mistakes) => Check(new Workstation(Song, mistakes).All().Select(f => f.Gain(-4).Later(0.7)));

    private static OutsideAnswer Check(IEnumerable<Recorded> files, IReadOnlyDictionary<int, ChannelId?>? said = null) =>
        OutsideCheck.Of(Expected, [.. files.Select(f => Expected.Brought(f.Name, f.Lanes, f.SampleRateHz, new MemoryTapes()))], said);
}
