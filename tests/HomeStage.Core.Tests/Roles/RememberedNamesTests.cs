using HomeStage.Core.Roles;

namespace HomeStage.Core.Tests.Roles;

public class RememberedNamesTests
{
    [Fact]
    public void Of_ANameThatWasReadLately_ReadsItOnce_AndGivesUpTheOldestAlone()
    {
        var read = new List<string>();
        var names = new RememberedNames<string>(10, n =>
        {
            read.Add(n);
            return n.ToUpperInvariant();
        });

        for (var i = 0; i < 100; i++)
            Assert.Equal(($"N{i}", "KEPT"), (names.Of($"n{i}"), names.Of("kept")));

        Assert.Equal(101, read.Count);
        Assert.InRange(names.Count, 10, 20);
        names.Of("n0");
        Assert.Equal(102, read.Count);
    }
}
