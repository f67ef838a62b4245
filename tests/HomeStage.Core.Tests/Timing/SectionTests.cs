using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Timing;

/// <summary>Sections are known by ids: a name is for people.</summary>
public class SectionTests
{
    private static readonly Template Two = OneBar(
        Tone("t", "mix-bus"),
        new SetTimeline(new(120, new(4, 4), [new("Low tide", 1), new("High tide", 1)])),
        new PutPattern(new("t"), new("Swell", 960, [new(0, 400, 45, 100)], ["high-tide"])),
        new PutShape(new("t"), new(new LevelTarget(), "high-tide", [new(0, 0), new(1, -24)])));

    [Fact]
    public void Rename_OfASection_ChangesNothingThatIsHeard()
    {
        var renamed = Two.With(new SetTimeline(new(120, new(4, 4), [new("Low tide", 1, Id: "low-tide"), new("Spring tide", 1, Id: "high-tide")])));

        Assert.Equal("Spring tide", renamed.Timeline.NameOf("high-tide"));
        Assert.Equal(Renderer.Render(Two, new("mix")).Left, Renderer.Render(renamed, new("mix")).Left);
        Assert.Contains(Renderer.Render(renamed, new("mix", Section: "high-tide")).Left, v => Math.Abs(v) > 0.001f);
    }

    [Fact]
    public void Remove_OfASection_SilencesWhatWasForIt_UntilItIsBack()
    {
        var without = Two.With(new SetTimeline(new(120, new(4, 4), [new("Low tide", 2, Id: "low-tide"), new("Neap", 1)])));
        var back = without.With(new SetTimeline(TimelineWish.Of(Two.Timeline)));

        Assert.Empty(new TimeMap(without.Timeline).Lay(without.Channels[new ChannelId("t")].Patterns.Where(p => p.Name == "Swell")));
        Assert.Equal(Two, back);
    }

    [Theory]
    [InlineData("Low tide|High tide|Low tide!", "low-tide|high-tide|low-tide-2")]
    [InlineData("High tide|Low tide", "high-tide|low-tide")]
    [InlineData("干潮|満潮", "section|section-2")]
    public void Wish_WithoutIds_KeepsThoseOfTheSameName_AndFindsFreeOnes(string names, string ids)
    {
        var timeline = new TimelineWish(120, new(4, 4), names.Split('|').Select(n => new SectionWish(n, 1)).ToSequence()).On(Two.Timeline);

        Assert.Equal(ids.Split('|'), timeline.Sections.Select(s => s.Id));
    }

    [Fact]
    public void Wish_ThatTakesANameFromAnotherSection_DoesNotTakeItsId()
    {
        // What was called High tide is called Flood now; a new one is called High tide.
        var timeline = new TimelineWish(120, new(4, 4), [new("Flood", 1, Id: "high-tide"), new("High tide", 1)]).On(Two.Timeline);

        Assert.Equal(["high-tide", "high-tide-2"], timeline.Sections.Select(s => s.Id));
    }

    [Theory]
    [InlineData("a", "a")]
    [InlineData("Not an id", "b")]
    public void SetTimeline_WithIdsThatCannotBe_IsRefused(string one, string other)
    {
        Assert.Contains(
            Two.RefusalOf(new SetTimeline(new(120, new(4, 4), [new("A", 1, Id: one), new("B", 1, Id: one == other ? one : other)]))).Code,
            (string[])["doubled", "bad-text"]);
    }

    [Fact]
    public void Words_OfARename_SayIt()
    {
        var rename = new SetTimeline(new(120, new(4, 4), [new("Low tide", 1, Id: "low-tide"), new("Spring tide", 1, Id: "high-tide")]));

        Assert.Equal("High tide is called Spring tide", EditWords.Of(rename, Two));
    }
}
