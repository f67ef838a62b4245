using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Editing;

public class ScopeWordsTests
{
    [Fact]
    public void For_AChannelWhoseNameSaysItsRole_OffersTheRoleFirst_AndItsFamilyOfAnyKindLast()
    {
        var voice = new Channel { Id = new("v"), Name = "Lead voice", Kind = ChannelKind.Audio };

        Assert.Equal(
            ["audio channels for lead voice", "audio channels of the voices", "audio channels", "channels of the voices"],
            ScopeWords.For(voice).Select(ScopeWords.Of));
    }

    [Fact]
    public void For_AChannelOfWhichNobodyKnowsWhatItIsFor_OffersItsKindAlone()
    {
        Assert.Equal(["buses"], ScopeWords.For(new Channel { Id = new("x"), Name = "Xyzzy", Kind = ChannelKind.Bus }).Select(ScopeWords.Of));
    }
}
