using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Templates;

/// <summary>What is on a strip in a few words, and how much one batch may hold.</summary>
public class StripSummaryTests
{
    private static readonly Channel Bare = new() { Id = new("clap"), Name = "Clap", Kind = ChannelKind.Split };

    [Fact]
    public void Of_ABareStrip_IsNothingButItsName() => Assert.Equal("nothing but its name", StripSummary.Of(Bare));

    [Fact]
    public void Of_AStripThatIsWorkedOn_TellsWhatIsThere_AndNothingElse()
    {
        var worked = Bare with
        {
            Inserts = [new(new("a"), "equaliser"), new(new("b"), "compressor")],
            Sends = [new(new("hall"), new(-12))],
            Shapes = [new(new LevelTarget(), "song", [new(0, -6), new(1, 0)])],
            Muted = true,
        };

        Assert.Equal("2 inserts, 1 send, 1 curve, muted", StripSummary.Of(worked));
        Assert.Equal($"{new Decibels(-6)}, polarity flipped", StripSummary.Of(Bare with { Level = new(-6), PolarityFlipped = true }));
    }

    [Fact]
    public void Batch_OfTheMostEdits_Applies_AndOneMoreIsRefused()
    {
        var stage = EmptyStage.Create("Slate");
        IEnumerable<Edit> Notes(int count) => Enumerable.Range(0, count).Select(i => new SetNote(EmptyStage.MixBus, $"{i}"));

        Assert.IsType<BatchResult.Applied>(Batch.Apply(stage, [.. Notes(Batch.MostEdits)]));
        Assert.IsType<BatchResult.Refused>(Batch.Apply(stage, [.. Notes(Batch.MostEdits + 1)]));
    }
}
