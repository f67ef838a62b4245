using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Server.Demo;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests;

/// <summary>The demo is a template like any other, and does what its notes say.</summary>
public class DemoTests
{
    public static TheoryData<string> Names() => [.. DemoSeed.Templates.Select(t => t.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public void Template_KeepsEveryRule_InWordsThatItsEditsCanBeSentIn(string name)
    {
        Assert.Null(TemplateRules.Check(Template(name)));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Template_SoundsInEachAct_BelowItsCeiling(string name)
    {
        var template = Runs.AreLong ? Template(name) : Shortened(Template(name), 4);
        foreach (var act in Runs.AreLong ? [.. template.Acts] : (IReadOnlyList<Act>)[template.Acts[^1]])
        {
            var sound = Renderer.Render(template, new(act.Id, Section: template.Timeline.Sections[0].Id));

            Assert.InRange(sound.LoudnessLufs!.Value, -36, -10);
            // The limiter's ceiling is −1 dBFS.
            Assert.InRange(sound.PeakDbfs!.Value, -30, -0.99);
        }
    }

    [Fact]
    public void NightFerry_SplitsItsKitOverEightPairs_EveryPieceIsHeardSomewhere()
    {
        var ferry = Template("Night Ferry");
        var kit = ((InstrumentSource)ferry.Channels[new ChannelId("tidewater")].Source!).Kit!;
        var taken = ferry.Channels.Select(c => c.Source).OfType<OutputSource>().Select(s => s.Output).Order();

        Assert.Equal(Enumerable.Range(2, 7), taken);
        Assert.All(kit.Lines, l => Assert.InRange(l.Output, 1, 8));
    }

    [Fact]
    public void NightFerry_DucksTheBassBySixDb_AndTheInstrumentsByThreeAndAHalf()
    {
        var ferry = Shortened(Template("Night Ferry"), 1);

        // The key tone is −6 dBFS: 8 dB over −14 at 4 : 1 is 6 dB, 7 dB over −13 at 2 : 1 is 3.5 dB.
        Assert.Equal(6.0, DuckDb(ferry, "bass"), 0.8);
        Assert.Equal(3.5, DuckDb(ferry, "instruments"), 0.8);
    }

    [Fact]
    public void NightFerry_OneReturnFeedsAnother()
    {
        Assert.Contains(Template("Night Ferry").Channels[new ChannelId("open-water")].Sends, s => s.To.Value == "far-shore");
    }

    private static Template Shortened(Template template, int bars) =>
        template with { Timeline = template.Timeline with { Sections = template.Timeline.Sections.Select(s => s with { Bars = Math.Min(s.Bars, bars) }).ToSequence() } };

    /// <summary>How much quieter the bus is 60 ms after a felt beat with its feed than without, by the energy of 40 ms.</summary>
    private static double DuckDb(Template template, string bus)
    {
        // Only the ducker is left in the strip, so that what follows it does not answer back.
        var channel = template.Channels[new ChannelId(bus)];
        Edit[] alone = [.. channel.Inserts.Where(i => i.Key is null).Select(i => (Edit)new RemoveInsert(channel.Id, i.Id))];
        var ducked = With(template, alone);
        var free = With(ducked, [new SetMute(new("pulse"), true)]);
        return Level(free) - Level(ducked);

        double Level(Template t)
        {
            var sound = Renderer.Render(t, new("mix", channel.Id, "verse"));
            return 10 * Math.Log10(sound.Left[2880..4800].Average(s => (double)s * s));
        }
    }

    private static Template Template(string name) => DemoSeed.Built(name);

    private static Template With(Template template, IReadOnlyList<Edit> edits) => Assert.IsType<BatchResult.Applied>(Batch.Apply(template, edits)).Template;
}
