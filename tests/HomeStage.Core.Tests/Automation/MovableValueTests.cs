using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Automation;

public class MovableValueTests
{
    [Property(MaxTest = 40)]
    public void EveryListedValue_TakesACurveFromItsLeastToItsMost(int seed)
    {
        var template = new RandomTemplates(seed).Grown(50);
        foreach (var channel in template.Channels)
            foreach (var value in MovableValue.On(template, channel))
            {
                var curve = new PutShape(channel.Id, new(value.Target, template.Timeline.Sections[0].Id, [new(0, value.Min), new(1, value.Max)]));
                if (channel.Shapes.Count < Shape.MostOnAChannel)
                    Assert.IsType<EditResult.Applied>(curve.ApplyTo(template));
            }
    }

    [Fact]
    public void Names_SayWhatMoves_AndWhereItStands()
    {
        var template = OneBar(Return("hall", "mix-bus"), Tone("t", "mix-bus", ChannelFormat.Stereo, Insert("eq", ProcessorCatalogue.Equaliser, ("bell-1-db", 4)), Insert("l", ProcessorCatalogue.Limiter)), new PutSend(new("t"), new(new("hall"), Decibels.Silence)));

        var values = MovableValue.On(template, template.Channels[new ChannelId("t")]).ToDictionary(v => v.Name);

        Assert.Equal((-60, 6, "dB", -200), (values["Send to Return hall"].Min, values["Send to Return hall"].Max, values["Send to Return hall"].Symbol, values["Send to Return hall"].Stored));
        Assert.Equal((4, Scale.Linear), (values["Equaliser: first bell"].Stored, values["Equaliser: first bell"].Scale));
        Assert.Equal(Scale.Octaves, values["Equaliser: first bell at"].Scale);
        Assert.Equal(1000, values["Instrument: tone"].Stored);
        Assert.Equal(["off", "on"], values["Equaliser: high cut"].Words);
        Assert.All(values.Values.Where(v => v.Words.Count > 0), v => Assert.Equal((0, v.Words.Count - 1), (v.Min, v.Max)));
        Assert.Empty(values["Level"].Words);
        // What stands still is not offered.
        Assert.DoesNotContain("Limiter: look-ahead", values.Keys);
    }

    [Fact]
    public void WhatMovesTheLevel_IsTheGainStageThatIsKeptForThat_ElseTheFader()
    {
        var plain = OneBar(Tone("t", "mix-bus", ChannelFormat.Stereo, Insert("g", ProcessorCatalogue.Gain)));
        var kept = plain.With(new KeepForAutomation(new("t"), new("g"), true));

        Target Mover(Template template) => MovableValue.On(template, template.Channels[new ChannelId("t")]).Single(v => v.MovesTheLevel).Target;

        Assert.Equal(new LevelTarget(), Mover(plain));
        Assert.Equal(new InsertTarget(new("g"), "gain-db"), Mover(kept));
    }

    [Fact]
    public void Kinds_AreCurvesBetweenTwoValues()
    {
        Assert.All(ShapeKind.All, k =>
        {
            Assert.IsType<EditResult.Applied>(new PutShape(EmptyStage.MixBus, new(new PanTarget(), "song", k.Points)).ApplyTo(EmptyStage.Create("Any")));
            Assert.All(k.Points, p => Assert.InRange(p.Value, 0, 1));
        });
        Assert.Equal(ShapeKind.All.Count, ShapeKind.All.Select(k => k.Id).Distinct().Count());
    }
}
