using HomeStage.Core.Cabled;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Cabled;

public class InputNamingTests
{
    [Fact]
    public void Of_AnInputThatNoChannelTakes_MakesOneThatIsHeard_BesideTheNearest()
    {
        var template = OneBar(Bus("rack", "mix-bus"), Taking("far", new(1)), Taking("near", new(6), "rack"));

        var made = template.With([.. InputNaming.Of(template, 7, "Teapot")]).Channels.Single(c => c.Name == "Teapot");

        Assert.Equal((ChannelKind.Audio, ChannelFormat.Mono, new ChannelId("rack"), new InputSource(7, Monitored: true)), (made.Kind, made.Format, made.Destination, made.Source));
    }

    [Fact]
    public void Of_AnInputOfSeveralTakes_CallsTheOneThatIsHeard()
    {
        var template = OneBar(Taking("first", new(7)), Taking("live", new(7, Monitored: true)));

        Assert.Equal([new RenameChannel(new("live"), "Teapot")], InputNaming.Of(template, 7, "Teapot"));
        Assert.Equal([new RenameChannel(new("first"), "Teapot")], InputNaming.Of(template.With(new RemoveChannel(new("live"))), 7, "Teapot"));
    }

    [Fact]
    public void Of_EitherSideOfAPair_CallsThePair_AndNothingTwice()
    {
        var template = OneBar(Taking("pair", new(7, 8, Monitored: true)));

        Assert.Equal([new RenameChannel(new("pair"), "Teapot")], InputNaming.Of(template, 8, "Teapot"));
        Assert.Empty(InputNaming.Of(template, 7, "pair"));
    }

    private static AddChannel Taking(string id, InputSource input, string under = "mix-bus") => new(new()
    { Id = new(id), Name = id, Kind = ChannelKind.Audio, Format = input.Second is null ? ChannelFormat.Mono : ChannelFormat.Stereo, Destination = new(under), Source = input });
}
