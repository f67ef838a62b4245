using HomeStage.Core.Automation;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Tests.Strips;

/// <summary>The laws of effects, by closed forms.</summary>
public sealed class EffectLawTests
{
    [Theory]
    [InlineData(0.4)]
    [InlineData(3.0)]
    public void Kept_AfterTheRoundsOfTheDecayTime_HasFallenBySixtyDecibels(double decaySeconds)
    {
        // Jot and Chaigne 1991.
        for (var line = 0; line < 8; line++)
        {
            var length = ReverbLaw.LengthFrames(line, 1, 48000);
            var rounds = decaySeconds * 48000 / length;
            Assert.Equal(-60, 20 * rounds * Math.Log10(ReverbLaw.Kept(length, decaySeconds, 48000)), 1e-9);
        }
    }

    [Fact]
    public void LengthFrames_OfAllLines_ArePrimeAndNotOneIsTwice()
    {
        var lengths = Enumerable.Range(0, 8).Select(i => ReverbLaw.LengthFrames(i, 1, 44100)).ToArray();
        Assert.All(lengths, l => Assert.DoesNotContain(Enumerable.Range(2, l - 2), d => l % d == 0));
        Assert.Equal(8, lengths.Distinct().Count());
    }

    [Theory]
    [InlineData(0.0, 0.0)]
    [InlineData(0.75, -0.75)]
    [InlineData(1.25, 0.75)]
    public void Correction_InCMajor_GoesToTheNearestNoteOfTheScale(double aboveA, double semitones)
    {
        // On either side of B flat, which C major does not hold: 440·2^(n/12).
        var hz = 440 * Math.Pow(2, aboveA / 12);
        Assert.Equal(semitones, PitchLaw.Correction(hz, PitchLaw.Scale(new MusicalKey(0, false))), 1e-9);
    }

    [Fact]
    public void Scale_OfAFlatKey_HoldsItsSevenNotes()
    {
        // E flat major: E♭ F G A♭ B♭ C D.
        var scale = PitchLaw.Scale(new MusicalKey(-3, false));
        Assert.Equal([0, 2, 3, 5, 7, 8, 10], Enumerable.Range(0, 12).Where(n => scale[n]));
        Assert.All(PitchLaw.Scale(null), Assert.True);
    }

    [Fact]
    public void Apart_AndTogetherAgain_IsWhatItWas()
    {
        var (middle, side) = ImageLaw.Apart(0.75f, -0.25f);
        Assert.Equal((0.25f, 0.5f), (middle, side));
        Assert.Equal((0.75f, -0.25f), ImageLaw.Together(middle, side));
    }

    [Fact]
    public void DelayFrames_OfAFullSway_GoesFromFiveMillisecondsToTheDepth()
    {
        Assert.Equal(240, ChorusLaw.DelayFrames(-1, 3, 48000), 1e-9);
        Assert.Equal(384, ChorusLaw.DelayFrames(1, 3, 48000), 1e-9);
    }

    [Fact]
    public void ReductionDb_AfterTheCurve_StaysAtItsEnd()
    {
        Sequence<ShapePoint> curve = [new(0, 1), new(1, 0.25)];
        Assert.Equal(12, DuckerLaw.ReductionDb(curve, 0, 12), 1e-9);
        Assert.Equal(3, DuckerLaw.ReductionDb(curve, 7.5, 12), 1e-9);
    }

    [Theory]
    [InlineData(0.5, 120, 12000)]
    [InlineData(1, 120, 24000)]
    public void Frames_OfNoteValuesAt120_AreTheTradesMilliseconds(double quarters, double tempo, int frames)
    {
        // Common practice: an eighth is 250 ms and a quarter 500 ms at 120.
        Assert.Equal(frames, DelayLaw.Frames(quarters, tempo, 48000));
        Assert.Equal(frames, DuckerLaw.LengthFrames(quarters, tempo, 48000), 1e-9);
    }
}
