using System.Text;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Formats.Csv;

namespace HomeStage.Formats.Tests.Csv;

public class DeviceCsvTests
{
    [Fact]
    public void Read_ATable_TakesEveryColumn_InAnyOrder_AndLeavesWhatIsEmptyUnknown()
    {
        var found = Read("Latency;Name;kind;maker;rate;Share;memory;load;outputs;here;colour\r\n64;Old Winch;compressor;Nobody;44100;0,4;120;2.5;;no;red\r\n;Loom;synth instrument;;;;;;3;;\r\n;;;;;;;;;;\r\n");

        Assert.Equal(new OutsideDevice("Old Winch") { Maker = "Nobody", Latency = new(64, 44100), Weight = new(0.4, 120, 2.5) }, found.Devices[0].Device);
        Assert.Equal((ProcessorCatalogue.Compressor, false), (found.Devices[0].StandIn, found.Devices[0].IsHere));
        Assert.Equal((null, DeviceWeight.Unknown, 3, InstrumentCatalogue.Gullwing, true),
            (found.Devices[1].Device.Latency, found.Devices[1].Device.Weight, found.Devices[1].Device.Outputs.Count, found.Devices[1].StandIn, found.Devices[1].IsHere));
        Assert.Equal(["The column colour is not known.", "Line 4 has no name."], found.LeftOut);
    }

    [Fact]
    public void Read_TextThatASpreadsheetWouldRun_ComesInAsText()
    {
        Assert.Equal("=Winch", Read("name\n'=Winch\n").Devices[0].Device.Name);
    }

    [Theory]
    [InlineData("", "no-header")]
    [InlineData("maker,kind\nx,y\n", "no-header")]
    [InlineData("name\n", "empty")]
    [InlineData("name,latency\nWinch,soon\n", "bad-number")]
    [InlineData("name,latency\nWinch,-5\n", "bad-number")]
    [InlineData("name,share\nWinch,9999\n", "out-of-range")]
    [InlineData("name,latency,rate\nWinch,5,10\n", "out-of-range")]
    public void Read_WhatIsNoTableOfDevices_IsRefusedWithItsLine(string text, string code)
    {
        Assert.Equal(code, ((FormatResult<FoundDevices>.Refused)DeviceCsv.Read(Encoding.UTF8.GetBytes(text))).Code);
    }

    private static FoundDevices Read(string text) => ((FormatResult<FoundDevices>.Read)DeviceCsv.Read(Encoding.UTF8.GetBytes(text))).Value;
}
