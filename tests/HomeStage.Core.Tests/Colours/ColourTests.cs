using FsCheck.Xunit;
using HomeStage.Core.Colours;
using HomeStage.Core.Editing;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Colours;

public class ColourTests
{
    private static readonly string[] NightSurfaces = ["#101714", "#161f1b", "#1d2823"];
    private static readonly string[] DaySurfaces = ["#f3ecdc", "#faf5e9", "#fffaf0"];

    /// <summary>CSS Color 4: red, lime and blue of sRGB in OKLCH, as its sample code gives them (from memory, four digits).</summary>
    [Theory]
    [InlineData(0.6280, 0.2577, 29.23, "#ff0000")]
    [InlineData(0.8664, 0.2948, 142.50, "#00ff00")]
    [InlineData(0.4520, 0.3132, 264.05, "#0000ff")]
    [InlineData(1, 0, 0, "#ffffff")]
    [InlineData(0, 0, 0, "#000000")]
    public void Oklab_OfThePrimaries_IsThem(double lightness, double chroma, double hue, string hex)
    {
        var hueRad = hue * Math.PI / 180;
        var (expected, actual) = (Rgb.Parse(hex), new Oklab(lightness, chroma * Math.Cos(hueRad), chroma * Math.Sin(hueRad)).ToRgb());

        // Four digits of lightness are good to about one step of 255.
        Assert.Equal(expected.Red, actual.Red, 0.005);
        Assert.Equal(expected.Green, actual.Green, 0.005);
        Assert.Equal(expected.Blue, actual.Blue, 0.005);
    }

    [Property(MaxTest = 200)]
    public void Oklab_ThereAndBack_IsTheSameColour(byte red, byte green, byte blue)
    {
        var hex = $"#{red:x2}{green:x2}{blue:x2}";

        Assert.Equal(hex, Oklab.Of(Rgb.Parse(hex)).ToRgb().ToString());
    }

    [Fact]
    public void ToRgb_OfAColourNoScreenShows_KeepsLightnessAndHue()
    {
        var shown = Oklab.Of(new Oklch(0.7, 0.4, 150).ToRgb());

        Assert.Equal(0.7, shown.Lightness, 0.001);
        Assert.Equal(150, Math.Atan2(shown.B, shown.A) * 180 / Math.PI, 0.1);
    }

    /// <summary>WCAG 2.2's formula: 21 for black on white; #767676 on white is the grey that just reaches 4.54.</summary>
    [Theory]
    [InlineData("#000000", "#ffffff", 21)]
    [InlineData("#767676", "#ffffff", 4.54)]
    [InlineData("#ffffff", "#ffffff", 1)]
    public void ContrastWith_IsWcags(string a, string b, double ratio)
    {
        Assert.Equal(ratio, Rgb.Parse(a).ContrastWith(Rgb.Parse(b)), 0.005);
    }

    [Fact]
    public void ColourVision_LeavesGreyGrey_AndBringsRedAndGreenTogether()
    {
        var grey = Rgb.Parse("#808080");
        Assert.All(ColourVision.AllWays(grey), seen => Assert.Equal("#808080", seen.ToString()));

        var (red, green) = (Rgb.Parse("#c04040"), Rgb.Parse("#609040"));
        Assert.True(ColourVision.LeastDistance(red, green) < 0.5 * Oklab.Of(red).DistanceTo(Oklab.Of(green)));
    }

    [Property(MaxTest = 150)]
    public void Palette_OfAnyTemplate_HoldsItsContrastOnBothThemes(int seed)
    {
        var template = new RandomTemplates(seed).Grown(80);

        foreach (var colour in Palette.Of(RunningOrder.Of(template)).Values)
        {
            Assert.All(NightSurfaces, s => Assert.True(Rgb.Parse(colour.Night).ContrastWith(Rgb.Parse(s)) >= 4.45));
            Assert.All(DaySurfaces, s => Assert.True(Rgb.Parse(colour.Day).ContrastWith(Rgb.Parse(s)) >= 4.45));
        }
    }

    [Fact]
    public void Palette_OfNeighbouringFamilies_KeepsThemApartForEverybody()
    {
        // Hues that people confuse stand next to each other: red and green, blue and violet, and one twice.
        double[] hues = [25, 145, 30, 120, 255, 300, 255, 255];
        Edit[] buses = [.. hues.SelectMany((h, i) => new Edit[] { Bus($"b{i}", "mix-bus"), new SetHue(new($"b{i}"), h) })];
        var colours = Palette.Of(RunningOrder.Of(OneBar(buses)));

        for (var i = 1; i < hues.Length; i++)
        {
            var (above, here) = (colours[new ChannelId($"b{i - 1}")], colours[new ChannelId($"b{i}")]);
            Assert.True(ColourVision.LeastDistance(Rgb.Parse(above.Night), Rgb.Parse(here.Night)) >= 0.058, $"night {i}");
            Assert.True(ColourVision.LeastDistance(Rgb.Parse(above.Day), Rgb.Parse(here.Day)) >= 0.058, $"day {i}");
        }
    }

    [Fact]
    public void Palette_OfMembers_StaysNearTheirBus_AndFollowsThemWhenTheyMove()
    {
        var template = OneBar(Bus("drums", "mix-bus"), new SetHue(new("drums"), 30), Bus("voices", "mix-bus"), new SetHue(new("voices"), 300), Tone("a", "drums"), Tone("b", "drums"));
        string Of(Template t, string id) => Palette.Of(RunningOrder.Of(t))[new ChannelId(id)].Night;

        double Far(string a, string b) => Oklab.Of(Rgb.Parse(a)).DistanceTo(Oklab.Of(Rgb.Parse(b)));
        Assert.InRange(Far(Of(template, "a"), Of(template, "drums")), 0.001, 0.06);
        Assert.NotEqual(Of(template, "a"), Of(template, "b"));
        var moved = template.With(new MoveChannel(new("a"), new("voices"), null));
        Assert.True(Far(Of(moved, "a"), Of(moved, "voices")) < Far(Of(moved, "a"), Of(moved, "drums")));
    }

    [Fact]
    public void SetHue_OfTheLamp_IsRefused()
    {
        var refusal = OneBar().RefusalOf(new SetHue(EmptyStage.MixBus, 76));

        Assert.Equal("lamp-hue", refusal.Code);
        Assert.True(Palette.IsLamps(HueOf("#f2b65a")));
    }

    private static double HueOf(string hex)
    {
        var lab = Oklab.Of(Rgb.Parse(hex));
        return Math.Atan2(lab.B, lab.A) * 180 / Math.PI;
    }
}
