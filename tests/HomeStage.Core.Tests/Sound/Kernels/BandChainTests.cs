using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Tests.Sound.Kernels;

/// <summary>Sections at work at once, in single precision, against the plain direct form in double precision.</summary>
public class BandChainTests
{
    private const int Frames = 24000;

    private static readonly Biquad[] Eight =
    [
        FilterDesign.LowCut(30, Signals.Rate), FilterDesign.LowShelf(120, 6, Signals.Rate), FilterDesign.Bell(400, -9, 1, Signals.Rate),
        FilterDesign.Bell(2500, 5, 1.4, Signals.Rate), FilterDesign.Bell(6000, -3, 4, Signals.Rate), FilterDesign.Notch(1000, 8, Signals.Rate),
        FilterDesign.HighShelf(8000, 4, Signals.Rate), FilterDesign.HighCut(16000, Signals.Rate),
    ];

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(5)]
    [InlineData(8)]
    public void Chain_IsThePlainCascade_WithinMinus120Db(int sections)
    {
        var plain = Signals.Noise(Frames);
        new FilterCascade(Eight[..sections]).Process(plain);

        var ours = Signals.Noise(Frames);
        Chain(sections).Process(ours);

        Assert.All(Enumerable.Range(0, Frames), i => Assert.Equal(plain[i], ours[i], 1e-6));
    }

    /// <summary>The lowest corner at the highest rate is where single precision is hardest pressed.</summary>
    [Fact]
    public void Chain_AtTwentyHertzAndTheHighestRate_StillErrsBelowMinus100Db()
    {
        Biquad[] low = [FilterDesign.LowCut(20, 96000), FilterDesign.Bell(25, 12, 4, 96000)];
        var plain = Signals.Noise(Frames);
        new FilterCascade(low).Process(plain);

        var ours = Signals.Noise(Frames);
        new BandChain([.. low.Select(StateVariable.Of)]).Process(ours);

        Assert.All(Enumerable.Range(0, Frames), i => Assert.Equal(plain[i], ours[i], 1e-5));
    }

    [Fact]
    public void Chain_InStretchesOfAnyLength_GivesTheSameSamples()
    {
        var whole = Signals.Noise(Frames);
        Chain(8).Process(whole);

        var parts = Signals.Noise(Frames);
        var chain = Chain(8);
        for (var start = 0; start < Frames;)
        {
            var stretch = Math.Min(1 + start * 7 % 611, Frames - start);
            chain.Process(parts.AsSpan(start, stretch));
            start += stretch;
        }

        Assert.Equal(whole, parts);
    }

    [Fact]
    public void TwoChainsSideBySide_GiveWhatEachGivesAlone()
    {
        var (left, right) = (Signals.Noise(Frames, 1), Signals.Noise(Frames, 2));
        Chain(8).Process(left);
        Chain(3).Process(right);

        var (besideLeft, besideRight) = (Signals.Noise(Frames, 1), Signals.Noise(Frames, 2));
        BandChain.Process(Chain(8), besideLeft, Chain(3), besideRight);

        Assert.Equal(left, besideLeft);
        Assert.Equal(right, besideRight);
    }

    [Fact]
    public void Chain_WhenItsSoundHasDied_IsSilentForGood()
    {
        var chain = Chain(8);
        chain.Process(Signals.Noise(4800));
        var after = new float[40 * Signals.Rate];

        chain.Process(after);

        Assert.All(after[^512..], s => Assert.Equal(0, s));
    }

    [Fact]
    public void StateVariable_OfASectionThatRings_IsTheCallersMistake()
    {
        Assert.Throws<ArgumentOutOfRangeException>(() => StateVariable.Of(new Biquad(1, 0, 0, -2, 1.01)));
    }

    private static BandChain Chain(int sections) => new([.. Eight[..sections].Select(StateVariable.Of)]);
}
