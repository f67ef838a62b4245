using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Tapes;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>A section heard alone: as it sounds in the song, or from rest.</summary>
public class PartInTheSongTests
{
    /// <summary>−120 dBFS.</summary>
    private const double Unheard = 1e-6;

    [Repeated(6, 100)]
    public void AsInTheSong_IsThatPartOfTheWhole(int seed)
    {
        var random = new RandomTemplates(seed);
        var template = random.Grown(90) with { Timeline = new(150, new(2, 4), [new("verse", "Verse", 1), new("chorus", "Chorus", 1, 97)]) };
        var act = template.Acts[0].Id;
        var tapes = new TapeShelf(16 * 1024 * 1024);

        foreach (var channel in template.Channels.Where(c => Capabilities.Of(c.Kind).Sounds && c.StageIn(act) != StageState.InTheWings).Take(3))
        {
            var whole = Renderer.Render(template, new(act, channel.Id), tapes: tapes);
            var part = Renderer.Render(template, new(act, channel.Id, "chorus") { Lead = RenderLead.AsInTheSong }, tapes: tapes);

            var from = (int)Math.Round(2 * 60.0 / 150 * template.SampleRateHz);
            AssertAlike(whole.Left.AsSpan(from), part.Left);
            AssertAlike(whole.Right.AsSpan(from), part.Right);
        }
    }

    [Fact]
    public void Meters_AsInTheSong_ReadThePartAlone()
    {
        // −6 dBFS in the first bar, −26 in the second.
        var template = OneBar(Tone("t", "mix-bus"), new SetTimeline(new(120, new(4, 4), [new("First", 1, Id: "first"), new("Second", 1, Id: "second")])),
            new PutShape(new("t"), new(new LevelTarget(), "second", [new(0, -20), new(1, -20)])));

        var part = Renderer.Render(template, new(InMix, Section: "second") { Lead = RenderLead.AsInTheSong, MetersInFull = true });

        var meters = part.Channels.Single(c => c.Channel == new ChannelId("t"));
        // A sine's mean power lies 3.01 dB below its peak.
        Assert.Equal(-26 - 3.01, meters.Reading!.RmsDbfs, 0.2);
        Assert.Equal(-26 - 3.01, meters.Full!.Whole!.RmsDbfs, 0.2);
    }

    [Fact]
    public void FromRest_HasNoEchoOfWhatCameBefore_AsInTheSongHas()
    {
        var template = OneBar(
            Tone("t", "mix-bus", strip: Insert("echo", ProcessorCatalogue.Delay, ("left-quarters", 2), ("right-quarters", 2), ("wet-percent", 100))),
            new SetTimeline(new(120, new(4, 4), [new("First", 1, Id: "first"), new("Second", 1, Id: "second")])));

        float FirstPeak(RenderLead lead) => Renderer.Render(template, new(InMix, Section: "second") { Lead = lead }).Left[..(Signals.Rate / 2)].Max(Math.Abs);

        Assert.Equal(0f, FirstPeak(RenderLead.FromRest));
        Assert.InRange(FirstPeak(RenderLead.AsInTheSong), 0.1f, 1f);
    }

    private static void AssertAlike(ReadOnlySpan<float> whole, float[] part)
    {
        var most = 0.0;
        for (var i = 0; i < Math.Min(whole.Length, part.Length); i++)
            most = Math.Max(most, Math.Abs(whole[i] - part[i]));
        Assert.InRange(whole.Length - part.Length, -1, 1);
        Assert.InRange(most, 0, Unheard);
    }
}
