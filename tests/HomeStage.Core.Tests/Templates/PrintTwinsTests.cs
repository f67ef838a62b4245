using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Templates;

/// <summary>A print plays in the place of its instrument where the one rests and the other does not.</summary>
public class PrintTwinsTests
{
    private static readonly MediaRef Tape = new(new('a', 64), "Print of Organ", 48000, 2, 480000);

    private static readonly Template Printed = OneBar(
        Tone("organ", "mix-bus"),
        new AddChannel(new() { Id = new("print"), Name = "Organ print", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }),
        new PutStarter(new("print"), new("Print", Tape, false, new(0), []) { Through = true }),
        new SetPrintTwin(new("organ"), new("print")));

    [Theory]
    [InlineData(StageState.InTheWings, StageState.OnStage, true)]
    [InlineData(StageState.InTheWings, StageState.BehindTheCurtain, true)]
    [InlineData(StageState.InTheWings, StageState.InTheWings, false)]
    [InlineData(StageState.OnStage, StageState.OnStage, false)]
    [InlineData(StageState.BehindTheCurtain, StageState.OnStage, false)]
    public void PlaysPrint_WhereTheInstrumentRests_AndItsPrintDoesNot(StageState instrument, StageState print, bool plays)
    {
        var staged = Printed.With(new SetStage(new("organ"), InMix, instrument), new SetStage(new("print"), InMix, print));

        Assert.Equal(plays, staged.PlaysPrint(staged.Channels[new ChannelId("organ")], InMix));
    }

    /// <summary>A loop that lies beside the print changes nothing; a loop alone is no print.</summary>
    [Fact]
    public void HoldsPrint_WhereOneSoundGoesThroughTheWholeSong()
    {
        var beside = Printed.With(new PutStarter(new("print"), new("Loop", Tape, false, new(0), [])));
        var alone = beside.With(new RemoveStarter(new("print"), "Print"));

        Assert.True(beside.IsPrinted(beside.Channels[new ChannelId("organ")]));
        Assert.False(alone.IsPrinted(alone.Channels[new ChannelId("organ")]));
    }
}
