using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

public class UploadedSoundTests
{
    private const int RateHz = 48000;
    private static readonly string Content = new('c', 64);

    /// <summary>Half a second of a steady 0.5, so that places and levels can be read off.</summary>
    private static readonly MediaSound Steady = new([Filled(24000, 0.5f)], RateHz);

    [Fact]
    public void Render_ALoop_RepeatsToTheEndOfItsSection()
    {
        var sound = Rendered(loops: true);

        Assert.All(sound.Left.Take(95000), s => Assert.Equal(0.5f, s));
        // Two seconds hold it four times whole, so nothing is cut and nothing is faded.
        Assert.Equal(0.5f, sound.Left[^1]);
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Render_OnAChannelWithAnInput_WhatIsLaidThereIsHeard_AndNobodyStandsIn(bool monitored)
    {
        var template = WithStarter(loops: true).With(new SetSource(new("loop"), new InputSource(1, 2, monitored)));

        Assert.Equal(Rendered(loops: true).Left, Renderer.Render(template, new(InMix), shelf: new OneSound(Steady)).Left);
    }

    [Fact]
    public void Render_AOneShot_SoundsOnceFromTheSectionsStart()
    {
        var sound = Rendered(loops: false);

        Assert.Equal((0.5f, 0.5f, 0f), (sound.Left[0], sound.Left[23999], sound.Left[24000]));
    }

    [Fact]
    public void Render_WhatASectionCuts_IsFadedWithoutAClick()
    {
        var long3 = new MediaSound([Filled(3 * RateHz, 0.5f)], RateHz);
        var left = Rendered(loops: true, long3).Left;

        Assert.Equal(0.5f, left[^300]);
        Assert.True(Math.Abs(left[^1]) < 0.01);
        Assert.All(left.Zip(left.Skip(1)), x => Assert.True(Math.Abs(x.First - x.Second) < 0.01));
    }

    [Fact]
    public void Render_SoundThatIsNotOnTheShelf_IsSilent()
    {
        Assert.Null(Renderer.Render(WithStarter(true), new(InMix)).PeakDbfs);
    }

    [Fact]
    public void PutStarter_OnAnInstrument_IsRefused()
    {
        var starter = ((PutStarter)Starter(true)).Starter;

        Assert.Equal("wrong-place", OneBar(Tone("t", "mix-bus")).RefusalOf(new PutStarter(new("t"), starter)).Code);
    }

    [Theory]
    [InlineData(44100, 48000)]
    [InlineData(96000, 48000)]
    [InlineData(48000, 44100)]
    public void Resampler_KeepsASineBelowTheBand_ToWithin80Db(int from, int to)
    {
        // The sine itself, taken at the other rate, is what the theory of sampling expects.
        float[] Sine(int rate) => [.. Enumerable.Range(0, rate / 4).Select(i => (float)Math.Sin(2 * Math.PI * 5000 * i / rate))];
        var converted = Resampler.Convert(Sine(from), from, to);
        var expected = Sine(to);

        var worst = Enumerable.Range(200, expected.Length - 400).Max(i => Math.Abs(converted[i] - expected[i]));

        Assert.True(worst < 1e-4, $"{20 * Math.Log10(worst):0.0} dB");
    }

    /// <summary>A table of kernels for common rates, and each kernel worked out where it is wanted: the same sum, from the first frame to the last.</summary>
    [Theory]
    [InlineData(44100, 48000)]
    [InlineData(48000, 44100)]
    [InlineData(22050, 96000)]
    [InlineData(96000, 44100)]
    [InlineData(8000, 88200)]
    public void Resampler_ByItsTable_GivesWhatTheFormulaGives(int from, int to)
    {
        var random = new Random(from + to);
        float[] lane = [.. Enumerable.Range(0, from / 50).Select(_ => (float)(2 * random.NextDouble() - 1))];

        var byTable = Resampler.Convert(lane, from, to);
        // A lane of so many frames, made so many long, is read by the same step.
        var byFormula = Resampler.Fit(lane, to / 50);

        Assert.Equal(byFormula.Length, byTable.Length);
        Assert.All(byFormula.Zip(byTable), x => Assert.Equal(x.First, x.Second, 1e-6f));
    }

    [Fact]
    public void Resampler_TakesAwayWhatTheSlowerRateCannotHold()
    {
        float[] high = [.. Enumerable.Range(0, 24000).Select(i => (float)Math.Sin(2 * Math.PI * 30000 * i / 96000.0))];

        var converted = Resampler.Convert(high, 96000, 48000);

        Assert.True(converted.Skip(200).SkipLast(200).Max(Math.Abs) < 1e-3);
    }

    private static RenderedSound Rendered(bool loops, MediaSound? sound = null) =>
        Renderer.Render(WithStarter(loops), new(InMix), shelf: new OneSound(sound ?? Steady));

    private static Template WithStarter(bool loops) => OneBar(
        new AddChannel(new() { Id = new("loop"), Name = "Loop", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }), Starter(loops));

    private static Edit Starter(bool loops) => new PutStarter(new("loop"), new("Steady", new(Content, "Steady", RateHz, 1, 24000), loops, new(0), []));

    private static float[] Filled(int frames, float value)
    {
        var lane = new float[frames];
        Array.Fill(lane, value);
        return lane;
    }

    private sealed class OneSound(MediaSound sound) : IMediaShelf
    {
        public MediaSound? Find(string content) => content == Content ? sound : null;
    }
}
