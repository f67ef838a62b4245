using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Templates;

public class DevicePlaceTests
{
    [Theory]
    [InlineData("reed-organ", "reed-organ", null)]
    [InlineData("reed-organ/keel-2", "reed-organ", "keel-2")]
    public void APlace_IsReadAsItIsWritten(string text, string channel, string? insert)
    {
        var place = DevicePlace.Of(text);

        Assert.Equal(new DevicePlace(new(channel), insert is null ? null : new InsertId(insert)), place);
        Assert.Equal(text, place.ToString());
    }

    [Theory]
    [InlineData("")]
    [InlineData("/")]
    [InlineData("reed-organ/")]
    [InlineData("/keel")]
    [InlineData("reed-organ/keel/2")]
    [InlineData("Reed Organ")]
    public void WhatIsNoPlace_IsNotRead(string text) => Assert.Null(DevicePlace.Of(text));
}
