using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Editing;

public class InsertTests
{
    private static readonly Insert Own = new(new("a"), ProcessorCatalogue.Compressor);

    private static readonly OutsideDevice Squeeze = new("Squeeze") { Format = "CLAP", DeviceId = "org.x.squeeze" };

    [Fact]
    public void AnInsert_IsLikeAnother_WhereBothAreTheSameProcessorOrTheSameDevice_HoweverSet()
    {
        var device = Own with { Device = Squeeze };

        Assert.True(Own.IsLike(Own with { Id = new("b"), Settings = Map<double>.Empty.With("ratio", 3) }));
        Assert.True(device.IsLike(device with { Off = true }));
        Assert.False(Own.IsLike(Own with { Processor = ProcessorCatalogue.Gate }));
        Assert.False(Own.IsLike(device));
        Assert.False(device.IsLike(Own));
        Assert.False(device.IsLike(Own with { Device = Squeeze with { Name = "Press", DeviceId = "org.x.press" } }));
    }

    [Theory]
    [InlineData(0, true)]
    [InlineData(7, true)]
    [InlineData(-1, false)]
    public void AParent_IsKnownUpToARevision(int revision, bool may) => Assert.Equal(may, new Parent("t", "Night", revision).Check() is null);
}
