using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Defaults;

public class StripScopeTests
{
    [Theory]
    [InlineData(ChannelKind.Audio, null, null, true)]
    [InlineData(ChannelKind.Bus, null, null, false)]
    [InlineData(null, "fiddle", null, true)]
    [InlineData(null, "voice", null, false)]
    [InlineData(null, null, "strings", true)]
    [InlineData(null, null, "voices", false)]
    [InlineData(ChannelKind.Bus, "fiddle", null, false)]
    [InlineData(ChannelKind.Audio, "voice", null, false)]
    [InlineData(ChannelKind.Audio, "fiddle", null, true)]
    public void ADefault_CoversWhatIsAllThatItSays(ChannelKind? kind, string? role, string? family, bool covers) =>
        Assert.Equal(covers, new StripScope(kind, role, family).Covers(ChannelKind.Audio, "fiddle", "strings"));

    [Fact]
    public void ARole_SaysMoreThanAFamily_WhichSaysMoreThanAKind_AndTogetherMore()
    {
        StripScope[] ascending = [new(ChannelKind.Audio), new(null, null, "strings"), new(ChannelKind.Audio, null, "strings"), new(null, "fiddle"), new(ChannelKind.Audio, "fiddle")];

        Assert.Equal(ascending.Select(s => s.Weight).Order(), ascending.Select(s => s.Weight));
        Assert.Equal(ascending.Length, ascending.Select(s => s.Weight).Distinct().Count());
    }
}
