using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>How loud the stand-ins are when they play more than one note at a time.</summary>
public class StandInLevelTests
{
    public static TheoryData<string, int> Chords() => Cases(3);

    /// <summary>The most at a time are the loudest.</summary>
    public static TheoryData<string, int> FullChords() => Cases(4);

    private static TheoryData<string, int> Cases(int brief)
    {
        var cases = new TheoryData<string, int>();
        foreach (var kind in InstrumentCatalogue.All.Where(k => k.Kit is not null || k.CalibrationNotes.Count > 0))
            foreach (var notes in Runs.AreLong ? (int[])[1, 2, 3, 4] : [brief])
                cases.Add(kind.Id, notes);
        return cases;
    }

    [Theory]
    [MemberData(nameof(Chords))]
    public void NotesAtATime_AddAsPowers_AndStayUnderFullScale(string instrument, int count)
    {
        var sound = Renderer.Render(Chord(InstrumentCatalogue.Find(instrument)!, count), new(InMix));

        var expected = Calibration.NominalLufs + 10 * Math.Log10(count);
        Assert.InRange(sound.LoudnessLufs!.Value, expected - 3, expected + 3);
        Assert.InRange(sound.PeakDbfs!.Value, -60, 0);
    }

    [Theory]
    [MemberData(nameof(FullChords))]
    public void StruckAsHardAsCanBe_NothingIsOverFullScale(string instrument, int count)
    {
        var stage = Chord(InstrumentCatalogue.Find(instrument)!, count);
        var channel = stage.Channels[new ChannelId("alone")];
        var hard = channel.Patterns[0] with { Notes = channel.Patterns[0].Notes.Select(n => n with { Velocity = 127 }).ToSequence() };

        var sound = Renderer.Render(stage with { Channels = stage.Channels.Replace(channel with { Patterns = [hard] }) }, new(InMix, channel.Id));

        // A rounding of the last bit is not over.
        Assert.InRange(sound.PeakDbfs!.Value, -30, 1e-5);
    }

    public static TheoryData<string> Samplers => [.. InstrumentCatalogue.All.Where(k => k.Kit is not null).Select(k => k.Id)];

    [Theory]
    [MemberData(nameof(Samplers))]
    public void OneSample_AtOneVelocity_PeaksAlikeInEverySampler(string instrument)
    {
        var kit = InstrumentCatalogue.Find(instrument)!.Kit!.Together();
        var sampled = kit with { Far = [], Pieces = [kit.Pieces[0] with { Sample = new(new('a', 64), "Slate", 48000, 1, 100), Microphones = [kit.Pieces[0].Microphones[0] with { Pan = 0 }] }] };
        var stage = OneBar(new AddChannel(new()
        {
            Id = new("pads"),
            Name = "Pads",
            Kind = ChannelKind.Instrument,
            Destination = EmptyStage.MixBus,
            Source = new InstrumentSource(instrument, sampled),
            Patterns = [new("One", 1920, [new(0, 60, sampled.Pieces[0].Note, 127)], [])],
        }));

        var sound = Renderer.Render(stage, new(InMix), shelf: new OneLevel());

        // Full scale, 6 dB below, and in the middle of two sides by the sine law.
        Assert.Equal(Calibration.SampleDb - 3.0103, sound.PeakDbfs!.Value, 0.01);
    }

    private sealed class OneLevel : IMediaShelf
    {
        public MediaSound? Find(string content) => new([[.. Enumerable.Repeat(1f, 100)]], 48000);
    }

    /// <summary>The phrase with every step struck by that many notes: the next ones of the phrase, around its end; fifths where it has no others.</summary>
    private static Template Chord(InstrumentKind kind, int count)
    {
        var stage = CalibrationStage.Of(kind);
        var channel = stage.Channels[new ChannelId("alone")];
        var pattern = channel.Patterns[0];
        var numbers = pattern.Notes.Select(n => n.Number).Distinct().ToList();
        var struck = pattern.Notes.SelectMany(n => Enumerable.Range(0, count)
            .Select(i => n with { Number = numbers.Count >= count ? numbers[(numbers.IndexOf(n.Number) + i) % numbers.Count] : n.Number + 7 * i }));
        return stage with { Channels = stage.Channels.Replace(channel with { Patterns = [pattern with { Notes = struck.OrderBy(n => n.StartTick).ThenBy(n => n.Number).ToSequence() }] }) };
    }
}
