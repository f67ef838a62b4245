using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Editing;

public class GatheredEditsTests
{
    private static readonly Template Stage = OneBar(Bus("a", "mix-bus"), Bus("b", "a"));

    [Fact]
    public void Do_GathersWhatWasDone_UpToTheFirstThatCannotBe()
    {
        var gathered = new GatheredEdits(Stage);
        Edit[] good = [new SetMute(new("a"), true), new RenameChannel(new("b"), "Low")];

        var why = gathered.Do([.. good, new SetMute(new("nobody"), true), new SetMute(new("b"), true)]);

        Assert.IsType<Refusal.UnknownChannel>(why);
        Assert.Equal(good, gathered.Edits);
        Assert.Equal(Stage.With(good), gathered.Now);
    }

    [Fact]
    public void DoWithoutLoop_LeavesOutWhatWouldCloseOne()
    {
        var gathered = new GatheredEdits(Stage);

        Assert.IsType<Refusal.ClosesLoop>(gathered.DoWithoutLoop(new SetDestination(new("a"), new("b"))));
        Assert.Null(gathered.DoWithoutLoop(new SetMute(new("a"), true)));

        Assert.Equal([new SetMute(new("a"), true)], gathered.Edits);
    }
}
