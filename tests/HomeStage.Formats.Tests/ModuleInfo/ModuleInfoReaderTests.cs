using System.Text;
using HomeStage.Core.Catalogue;
using HomeStage.Formats.ModuleInfo;

namespace HomeStage.Formats.Tests.ModuleInfo;

/// <summary>Descriptions made by hand. What a module's description holds is from memory of the open format's documentation.</summary>
public class ModuleInfoReaderTests
{
    private const string Bundle = """
        {
          // written by a tool
          "Name": "Tide Tools",
          "Version": "1.0",
          "Factory Info": { "Vendor": "Nobody & Daughters", "URL": "", "E-Mail": "", "Flags": { "Unicode": true, }, },
          "Classes": [
            { "CID": "84E8DE5F92554F5396FAE4133C935A18", "Category": "Audio Module Class", "Name": "Slow Tide", "Vendor": "", "Version": "1.0", "SDKVersion": "VST 3.7", "Sub Categories": [ "Fx", "Reverb", ], "Class Flags": 0, "Cardinality": 2147483647, "Snapshots": [ ] },
            { "CID": "D39D5B65D7AF42FA843F4AC841EB04F0", "Category": "Component Controller Class", "Name": "Slow Tide Controller" },
            /* and an instrument */
            { "CID": "AA", "Category": "Audio Module Class", "Name": "Gull Choir", "Vendor": "Somebody", "Sub Categories": [ "Instrument", "Synth" ] },
            { "CID": "BB", "Category": "Audio Module Class", "Name": "", "Sub Categories": [ "Fx" ] },
          ],
        }
        """;

    [Fact]
    public void Read_ABundlesDescription_FindsWhatIsPlayed_AndNothingThatItDoesNotSay()
    {
        var found = ((FormatResult<FoundDevices>.Read)ModuleInfoReader.Read(Encoding.UTF8.GetBytes("\uFEFF" + Bundle))).Value;

        Assert.Equal([new("Slow Tide") { Maker = "Nobody & Daughters", Format = "VST3", DeviceId = "84E8DE5F92554F5396FAE4133C935A18" }, new("Gull Choir") { Maker = "Somebody", Format = "VST3", DeviceId = "AA" }], found.Devices.Select(d => d.Device));
        Assert.Equal([ProcessorCatalogue.Reverb, InstrumentCatalogue.Gullwing], found.Devices.Select(d => d.StandIn));
        Assert.All(found.Devices, d => Assert.Null(d.Device.Latency));
        Assert.Single(found.LeftOut);
    }

    [Theory]
    [InlineData("", "damaged")]
    [InlineData("{", "damaged")]
    [InlineData("[]", "not-a-description")]
    [InlineData("{\"Classes\": {}}", "not-a-description")]
    [InlineData("{\"Classes\": [[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[[]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]]}", "damaged")]
    public void Read_ABrokenDescription_IsRefused(string text, string code)
    {
        Assert.Equal(code, ((FormatResult<FoundDevices>.Refused)ModuleInfoReader.Read(Encoding.UTF8.GetBytes(text))).Code);
    }

    [Theory]
    [InlineData("{\"Classes\": [1, null, \"x\", {\"Category\": 5}, {\"Category\": \"Audio Module Class\", \"Name\": [], \"Sub Categories\": 7}]}")]
    [InlineData("{\"Factory Info\": 3, \"Classes\": []}")]
    public void Read_MembersOfOtherTypes_AreLeftOut(string text)
    {
        Assert.Empty(((FormatResult<FoundDevices>.Read)ModuleInfoReader.Read(Encoding.UTF8.GetBytes(text))).Value.Devices);
    }

    [Fact]
    public void Read_WhatIsNotText_OrTooLarge_IsRefused()
    {
        Assert.Equal("not-text", ((FormatResult<FoundDevices>.Refused)ModuleInfoReader.Read(new byte[] { 0x7B, 0xFF, 0xFE })).Code);
        Assert.Equal("too-large", ((FormatResult<FoundDevices>.Refused)ModuleInfoReader.Read(new byte[ModuleInfoReader.MostBytes + 1])).Code);
    }
}
