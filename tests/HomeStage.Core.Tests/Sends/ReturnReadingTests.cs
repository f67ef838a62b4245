using HomeStage.Core.Catalogue;
using HomeStage.Core.Sends;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sends;

/// <summary>What a return makes of a knock, over two bars of 4/4 at 120: four seconds.</summary>
public class ReturnReadingTests
{
    private const double WindowSeconds = 4;

    private static ReturnReading Read(params Insert[] strip) => Read(ChannelFormat.Stereo, strip);

    private static ReturnReading Read(ChannelFormat format, params Insert[] strip)
    {
        var template = OneBar(Return("r", "mix-bus", strip));
        return ReturnReading.Of(template, InMix, new TimeMap(template.Timeline).Sections[0], template.Channels[new ChannelId("r")] with { Format = format });
    }

    private static Insert Echo(params (string Parameter, double Value)[] settings) =>
        Insert("echo", ProcessorCatalogue.Delay, [("left-quarters", 0.5), ("right-quarters", 0.75), ("low-cut-hz", 20), ("high-cut-hz", 20000), .. settings]);

    private static int PointOf(double seconds, ReturnReading reading) => (int)(seconds / WindowSeconds * reading.LeftDb.Count);

    [Fact]
    public void AnEcho_IsDrawnAtItsTaps_LeftAndRight_EachRepeatQuieterByItsFeedback()
    {
        var reading = Read(Echo(("feedback-percent", 50)));

        // An eighth is 0.25 s, a dotted eighth 0.375 s.
        foreach (var (side, tap) in new[] { (reading.LeftDb, 0.25), (reading.RightDb, 0.375) })
            for (var repeat = 0; repeat < 4; repeat++)
                Assert.Equal(repeat * 20 * Math.Log10(0.5), side[PointOf((repeat + 1) * tap + 0.0003, reading)], 0.2 * (repeat + 1));
        Assert.All(Enumerable.Range(0, PointOf(0.24, reading)), i => Assert.Equal(ReturnReading.FloorDb, reading.LeftDb[i]));
    }

    [Theory]
    [InlineData(50, 10)]
    [InlineData(35, 7)]
    [InlineData(90, 66)]
    [InlineData(0, 0)]
    public void Repeats_UntilSixtyDecibelsDown_AreSixtyOverWhatEachLoses(double feedbackPercent, int repeats)
    {
        var echo = Read(Echo(("feedback-percent", feedbackPercent))).Echoes.Single();

        Assert.Equal(repeats, echo.Repeats);
        Assert.Equal((repeats + 1) * 0.375, echo.Seconds, 1e-9);
        Assert.Equal(feedbackPercent == 0, echo.FeedbackDb is null);
    }

    [Theory]
    [InlineData(1.2, 20000)]
    [InlineData(2.6, 2500)]
    [InlineData(4.5, 6000)]
    public void AReverb_SaysTheDecayAroundOneKilohertz_AndItsTailIsThatLong(double decaySeconds, double dampingHz)
    {
        var reading = Read(Insert("hall", ProcessorCatalogue.Reverb, ("decay-s", decaySeconds), ("damping-hz", dampingHz)));

        int[] lengths = [.. Enumerable.Range(0, ReverbLaw.Lines).Select(i => ReverbLaw.LengthFrames(i, 1, 48000))];
        // Within an octave the decay is that of its ends or lies between.
        double Closed(double hz) => ReverbLaw.DecayAt(hz, lengths, decaySeconds, dampingHz, 48000);
        var (most, least) = (1.03 * Closed(1000 / Math.Sqrt(2)), 0.97 * Closed(1000 * Math.Sqrt(2)));
        var reverb = reading.Reverbs.Single();
        Assert.Equal(decaySeconds, reverb.AskedSeconds);
        Assert.InRange(reverb.MidSeconds, least, most);
        Assert.InRange(reading.TailSeconds!.Value, least, 1.05 * most);
        Assert.Equal(2, reading.BarSeconds);
    }

    [Fact]
    public void Cuts_AreThoseOfItsEqualisers_AndWhatIsParkedOrNotThereSaysNothing()
    {
        var cut = Insert("cut", ProcessorCatalogue.Equaliser, ("low-cut", 1), ("low-cut-hz", 1000));

        var reading = Read(cut, Echo() with { ParkedIn = [InMix] });

        // Butterworth at its corner; the third octave of 1 kHz is the eighteenth.
        Assert.Equal(-3.01, reading.CutsDb[17], 0.01);
        Assert.Empty(reading.Echoes);
        Assert.Equal(0, reading.LeftDb.Max());
        Assert.Equal(0, reading.LeftDb.ToList().IndexOf(0));
    }

    [Fact]
    public void AMonoReturn_OrOneThatCrosses_TellsItsTaps()
    {
        Assert.Equal((0.5, 0.5, false), Read(ChannelFormat.Mono, Echo(("ping-pong", 1))).Echoes.Select(e => (e.LeftQuarters, e.RightQuarters, e.Crosses)).Single());
        var crossing = Read(Echo(("ping-pong", 1), ("feedback-percent", 50))).Echoes.Single();
        Assert.True(crossing.Crosses);
        // Eleven times through one line after the other: half of 1.25 quarters each.
        Assert.Equal(11 * 1.25 / 2 * 0.5, crossing.Seconds, 1e-9);
    }
}
