using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>A song with its count before it, against the song without: beats and places worked out by hand.</summary>
public class CountedRenderTests
{
    /// <summary>7/8 at 140, then 6/8 at 90 of its own.</summary>
    private static Template Of(CountIn? count) => OneBar(
        Tone("keys", "mix-bus"), new PutPattern(new("keys"), new("Held", 960, [new(0, 480, 60, 90)], ["lane"])),
        new SetTimeline(new(140, new(7, 8), [new("Lane", 1), new("Gate", 2, 90, new(6, 8))]) { CountIn = count }));

    private static RenderedSound Rendered(Template template, bool counted = true, string? section = null) =>
        CountedRender.Render(new CompiledTemplate(template), new("write", Section: section) { CountedIn = counted });

    [Fact]
    public void TheSongsOwnSamplesAreAsWithout_AndComeWhenTwoBarsAreOver()
    {
        var (plain, counted) = (Rendered(Of(null)), Rendered(Of(new(2))));

        // Fourteen eighths, at 140 quarters a minute.
        var lead = (int)Math.Round(14 * 30.0 / 140 * 48000);
        Assert.Equal(lead + plain.Left.Length, counted.Left.Length);
        // The last tick has died away when the second bar of the song begins to sound.
        Assert.Equal(plain.Left[40000..], counted.Left[(lead + 40000)..]);
        Assert.Equal(7 * 2, Struck(counted.Left.AsSpan(0, lead), 30.0 / 140));
    }

    [Fact]
    public void TheClickGoesOnOnEachFeltBeat_WithEverySectionsOwnMeterAndTempo()
    {
        var timeline = Of(new(1, Click: true)).Timeline;

        // Seven eighths are counted and seven sung; then two bars of two dotted quarters each.
        var eighth = Ticks.PerQuarter / 2;
        Assert.Equal(
            [.. Enumerable.Range(0, 14).Select(n => ((long)n * eighth, n % 7 == 0)), .. Enumerable.Range(0, 4).Select(n => ((14L + 3 * n) * eighth, n % 2 == 0))],
            timeline.CountIn!.Beats(timeline));
        Assert.Equal([(0L, true), (eighth, false)], new CountIn(0, Click: true).Beats(timeline).Take(2));
        Assert.Empty(new CountIn(0).Beats(timeline));
    }

    [Fact]
    public void AClickAlone_BeginsWithTheSong()
    {
        var (plain, counted) = (Rendered(Of(null)), Rendered(Of(new(0, Click: true))));

        Assert.Equal(plain.Left.Length, counted.Left.Length);
        Assert.NotEqual(plain.Left, counted.Left);
    }

    [Fact]
    public void OneSection_IsCountedInByItsOwnMeterAndTempo()
    {
        var (plain, counted) = (Rendered(Of(null), section: "gate"), Rendered(Of(new(2)), section: "gate"));

        // Twelve eighths, at 90 quarters a minute.
        var lead = 12 * 48000 / 3;
        Assert.Equal(lead + plain.Left.Length, counted.Left.Length);
        Assert.Equal(plain.Left[40000..], counted.Left[(lead + 40000)..]);
    }

    [Fact]
    public void NothingIsCounted_UnlessItIsAskedFor()
    {
        var plain = Rendered(Of(null));

        Assert.Equal(plain.Left, Rendered(Of(new(2)), counted: false).Left);
        Assert.Equal(plain.Left, Rendered(Of(null)).Left);
    }

    [Fact]
    public void TheChannelThatCounts_LendsItsInstrumentAndLevel()
    {
        static Template Quiet(double db) => Of(new(1)).With(new AddChannel(new()
        {
            Id = new("count"),
            Name = "Count-in",
            Kind = ChannelKind.Direct,
            OutputPair = 2,
            Level = new(db),
            Source = new InstrumentSource(InstrumentCatalogue.CountInTick),
        }));

        var lead = (int)(7 * 30.0 / 140 * 48000);
        var (loud, soft) = (Rendered(Quiet(0)).Left[..lead].Max(MathF.Abs), Rendered(Quiet(-6)).Left[..lead].Max(MathF.Abs));
        Assert.Equal(Math.Pow(10, -6 / 20.0), soft / loud, 4);
    }

    [Fact]
    public void ItsBarsHaveALimit_AndItIsSaidInWords()
    {
        Assert.Equal("out-of-range", Assert.IsType<EditResult.Refused>(new SetTimeline(TimelineWish.Of(Of(null).Timeline) with { CountIn = new(9) }).ApplyTo(Of(null))).Why.Code);
        Assert.Equal("2 bars are counted in, and a click goes through the song", EditWords.Of(new SetTimeline(TimelineWish.Of(Of(null).Timeline) with { CountIn = new(2, true) }), Of(null)));
    }

    /// <summary>How many of the beats begin with something to hear, after something quieter.</summary>
    private static int Struck(ReadOnlySpan<float> lane, double beatSeconds)
    {
        var struck = 0;
        for (var beat = 0; (int)Math.Round(beat * beatSeconds * 48000) + 2400 <= lane.Length; beat++)
        {
            var at = (int)Math.Round(beat * beatSeconds * 48000);
            struck += Loudest(lane.Slice(at, 2400)) > 10 * (at == 0 ? 0 : Loudest(lane.Slice(at - 480, 480))) + 1e-3f ? 1 : 0;
        }

        return struck;
    }

    private static float Loudest(ReadOnlySpan<float> samples)
    {
        var most = 0f;
        foreach (var sample in samples)
            most = Math.Max(most, MathF.Abs(sample));
        return most;
    }
}
