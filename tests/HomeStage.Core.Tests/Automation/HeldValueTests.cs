using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Playing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Automation;

/// <summary>Who holds a value, and what typing there does.</summary>
public class HeldValueTests
{
    private static readonly ChannelId T = new("t");

    [Fact]
    public void ACurve_ALever_AndBoth_AreSaid()
    {
        var eq = new InsertTarget(new("eq"), "bell-1-db");
        var template = OneBar(
            Tone("t", "mix-bus", strip: Insert("eq", ProcessorCatalogue.Equaliser)),
            Curve(new LevelTarget()), Curve(new PanTarget()),
            new PutLever(new("dim", "Dim", 0, [new(T, new LevelTarget(), 0, -6), new(T, eq, 0, 6)])),
            new PutLever(new("late", "Late", 0, [new(T, eq, 0, 3)])));

        Assert.Equal(
            [
                new("insert/eq/bell-1-db", "The lever Dim holds it: what is typed here waits until the lever lets go."),
                new("level", "A curve over Song holds it there, and the lever Dim everywhere else: what is typed here waits until both let go."),
                new("pan", "A curve over Song holds it there: what is typed here holds everywhere else."),
            ],
            HeldValue.Of(template)[T].OrderBy(h => h.Place, StringComparer.Ordinal));
    }

    /// <summary>What is said to be held is what moves, and nothing else: the render's own word.</summary>
    [Fact]
    public void WhatIsSaidToBeHeld_IsWhatMovementHolds()
    {
        foreach (var seed in Enumerable.Range(0, 60))
        {
            var template = new RandomTemplates(seed).Grown(60);
            var (movement, held) = (new Movement(template), HeldValue.Of(template));
            foreach (var channel in template.Channels)
            {
                Assert.True(held[channel.Id].Any(h => h.Place == "pan") == movement.Holds(channel.Id, new PanTarget()) || channel.Shapes.Any(s => template.Timeline.Sections.All(x => x.Id != s.Section)));
                foreach (var insert in channel.Inserts)
                    foreach (var parameter in insert.Parameters().Where(p => held[channel.Id].Any(h => h.Place == $"insert/{insert.Id}/{p.Id}")))
                        Assert.True(movement.Holds(channel.Id, new InsertTarget(insert.Id, parameter.Id)));
            }
        }
    }

    private static PutShape Curve(Target target) => new(T, new(target, "song", [new(0, 0), new(1, 0)]));
}
