using HomeStage.Core.Editing;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.Core.Tests.Outputs.ThreePieces;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>A detector that listens to one piece says so where it will hear others, since no null test shows it while what it steers is silent.</summary>
public class ChangedKeysTests
{
    private static readonly Template Fine = Applied(Whole, 2);

    private static Template Listening(string split) =>
        Fine.With(new PutFeed(Fine.Channels.Single(c => c.Name == split).Id, new(new("keys"), new("ducked"), new(0))));

    [Fact]
    public void OfThreeInOne_TheOneThatIsListenedTo_BringsTheOthers()
    {
        var before = Listening("Kick");

        Assert.Equal(["The compressor on Bus keys hears Tom high and Tom low as well"], ChangedKeys.Sentences(before, Applied(before, 0), Player));
    }

    [Fact]
    public void WhatStaysAlone_IsHeardAsBefore()
    {
        var before = Listening("Kick");

        Assert.Empty(ChangedKeys.Sentences(before, Applied(before, 1), Player));
    }

    [Fact]
    public void ASplitThatIsGone_IsHeardNoMore()
    {
        var before = Listening("Tom low");
        var after = before.With(new RemoveChannel(before.Channels.Single(c => c.Name == "Tom low").Id));

        Assert.Equal(["The compressor on Bus keys hears Tom low no more"], ChangedKeys.Sentences(before, after, Player));
    }

    [Fact]
    public void ADetectorThatListensToItsOwnChannel_HearsNothingOtherwise()
    {
        var before = Listening("Kick").With(new SetKey(new("keys"), new("ducked"), new(false)));

        Assert.Empty(ChangedKeys.Sentences(before, Applied(before, 0), Player));
    }
}
