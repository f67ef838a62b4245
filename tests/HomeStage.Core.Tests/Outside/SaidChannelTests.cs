using HomeStage.Core.Outside;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Outside;

/// <summary>Names of files as workstations write them (common practice), read as channels.</summary>
public sealed class SaidChannelTests
{
    [Theory]
    [InlineData("Kick.wav", "kick")]
    [InlineData("03 Kick.wav", "kick")]
    [InlineData("03-kick.wav", "kick")]
    [InlineData("KICK_01.wav", "kick")]
    [InlineData("Kick-bip.aif", "kick")]
    [InlineData("Kick (Stem).wav", "kick")]
    [InlineData("Kick_Print.wav", "kick")]
    [InlineData("TomLow.wav", "tom")]
    [InlineData("12_tom_low.wav", "tom")]
    [InlineData("Tomlow.wav", "tom")]
    [InlineData("Audio Export 04_tomlow-take2.wav", "tom")]
    [InlineData("Low wire bounce.wav", "bass")]
    [InlineData("Harbour Lights demo v2 - Fog.wav", "pad")]
    // The longest name that stands in it is meant.
    [InlineData("Drums - Tom low.wav", "tom")]
    [InlineData("Audio 12.wav", null)]
    [InlineData("Kickstart.wav", null)]
    [InlineData(".wav", null)]
    public void AFile_IsTheChannelThatItsNameSays(string file, string? channel) =>
        Assert.Equal(channel is null ? [] : [channel], Read(file)[0]);

    [Fact]
    public void WhatAllFilesBeginWith_IsTheSong()
    {
        // The song bears the name of a channel.
        Assert.Equal([["kick"], ["hats"], ["echo"]], Read("Fog at sea - Kick.wav", "Fog at sea - Hats.wav", "Fog at sea - Echo.wav"));
        Assert.Equal([["pad"], ["kick"]], Read("Fog - Fog.wav", "Fog - Kick.wav"));
    }

    [Fact]
    public void ChannelsOfOneName_AreAllMeant()
    {
        var twins = OutsideBand.Template.With(new Core.Editing.RenameChannel(new("hats"), "Ride"));

        var said = new SaidChannel(twins, twins.Channels.Select(c => c.Id)).Of(["Ride.wav"]);

        Assert.Equal(["hats", "ride"], said[0].Select(c => c.Value).Order(StringComparer.Ordinal));
    }

    [Fact]
    public void ANameThatIsWrittenWhole_GoesBeforeOneThatIsOnlyMeantWithoutBlanks()
    {
        var both = OutsideBand.Template.With(new Core.Editing.RenameChannel(new("hats"), "Kick in"), new Core.Editing.RenameChannel(new("ride"), "Kickin"));
        string Of(string file) => new SaidChannel(both, both.Channels.Select(c => c.Id)).Of([file])[0].Single().Value;

        Assert.Equal(("hats", "ride"), (Of("Kick in.wav"), Of("04 kickin.wav")));
    }

    private static List<List<string>> Read(params string[] files) =>
        [.. new SaidChannel(OutsideBand.Template, OutsideBand.Template.Channels.Select(c => c.Id)).Of(files).Select(c => c.Select(i => i.Value).ToList())];
}
