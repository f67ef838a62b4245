using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;

namespace HomeStage.Core.Tests.Soundcheck;

/// <summary>What is found often is said once.</summary>
public class AlikeTests
{
    [Fact]
    public void Of_FourOfOneRule_SaysThemOnce_WhereTheFirstStood_AndThreeApart()
    {
        Finding[] found = [Found("loud", "a"), Found("twice", "a"), Found("loud", "b"), Found("twice", "b"), Found("loud", "c"), Found("twice", "c"), Found("loud", "d")];

        var said = Alike.Of(found).ToList();

        Assert.Equal([["loud/a", "loud/b", "loud/c", "loud/d"], ["twice/a"], ["twice/b"], ["twice/c"]], said.Select(a => a.Findings.Select(f => f.Key)));
    }

    [Fact]
    public void Together_MendsEachByItsBestMend()
    {
        var together = new Alike([Found("loud", "a", Quieter("a"), Away("a")), Found("loud", "b", Quieter("b"))]).Together!;

        Assert.Equal("Mend all 2", together.Name);
        Assert.Equal([.. Quieter("a").Edits, .. Quieter("b").Edits], together.Edits);
    }

    [Fact]
    public void Together_WhereOneHasNoMend_OrIsAlone_IsNot()
    {
        Assert.Null(new Alike([Found("loud", "a", Quieter("a")), Found("loud", "b")]).Together);
        Assert.Null(new Alike([Found("loud", "a", Quieter("a"))]).Together);
    }

    private static Finding Found(string rule, string channel, params Mend[] mends) => new(rule, Severity.Hint, [new(channel)], "", [.. mends]);

    private static Mend Quieter(string channel) => new("Quieter", [new SetLevel(new(channel), new Decibels(-6))]);

    private static Mend Away(string channel) => new("Away", [new RemoveChannel(new(channel))]);
}
