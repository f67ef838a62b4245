using System.Text;
using HomeStage.Core.Kits;
using HomeStage.Formats.Csv;

namespace HomeStage.Formats.Tests.Csv;

public class KitCsvTests
{
    private static readonly Kit Current = StandInKits.Tidewater;

    [Theory]
    [InlineData("name,note,family,output\nKick,36,drums/kick,2\n\"Snare, top\",38,drums/snare,3\n")]
    [InlineData("name;note;family;output\r\nKick;36;drums/kick;2\r\nSnare, top;38;drums/snare;3\r\n")]
    [InlineData("Output\tFamily\tNote\tName\n2\tdrums/kick\t36\tKick\n3\tdrums/snare\t38\tSnare, top\n")]
    public void Read_TablesOfAnyDelimiterAndOrder_GiveTheirPieces(string table)
    {
        var kit = Read(table);

        Assert.Equal(
            [new Piece("Kick", 36, "drums/kick", 2, DrumSound.Kick), new Piece("Snare, top", 38, "drums/snare", 3, DrumSound.Snare)],
            kit.Pieces);
        Assert.Equal(Current.Outputs, kit.Outputs);
    }

    [Fact]
    public void Read_WhatWasWritten_IsTheSame_FarMicrophonesToo()
    {
        var kit = StandInKits.TidewaterDeep;

        var read = ((FormatResult<Kit>.Read)KitCsv.Read(KitCsv.Write(kit), kit)).Value;

        // A table does not hold where a piece stands between the sides, nor the stand-in's voice, which is guessed again.
        Assert.Equal(
            kit.Pieces.Select(p => (p.Name, p.Note, p.Family, p.Output, p.Format, p.Importance, p.Hears)),
            read.Pieces.Select(p => (p.Name, p.Note, p.Family, p.Output, p.Format, p.Importance, p.Hears)));
    }

    [Theory]
    [InlineData("=HYPERLINK(\"x\")", "'=HYPERLINK")]
    [InlineData("+1 octave", "'+1 octave")]
    [InlineData("-3 dB kick", "'-3 dB kick")]
    [InlineData("@home", "'@home")]
    [InlineData("  =1+1", "'  =1+1")]
    [InlineData("'=quoted", "''=quoted")]
    [InlineData("'t is a kick", "'t is a kick")]
    [InlineData("Kick", "Kick")]
    public void Write_ANameThatASpreadsheetWouldRun_LeavesAsText_AndComesBackAsItWas(string name, string written)
    {
        var kit = Current with { Pieces = Current.Pieces.SetItem(0, Current.Pieces[0] with { Name = name }) };

        var table = KitCsv.Write(kit);

        Assert.StartsWith(written, Encoding.UTF8.GetString(table).Split("\r\n")[1].TrimStart('"'), StringComparison.Ordinal);
        // Blanks at the ends are nobody's.
        Assert.Equal(name.Trim(), ((FormatResult<Kit>.Read)KitCsv.Read(table, kit)).Value.Pieces[0].Name.Trim());
    }

    [Fact]
    public void Read_AnOutputBeyondTheKits_AddsPairsUpToIt()
    {
        Assert.Equal(11, Read("name,note,family,output\nKick,36,drums,11\n").Outputs.Count);
    }

    [Theory]
    [InlineData("columns", "name,note\nKick,36\n")]
    [InlineData("number", "name,note,family,output\nKick,high,drums,2\n")]
    [InlineData("number", "name,note,family,output\nKick,36,drums,left\n")]
    [InlineData("out-of-range", "name,note,family,output\nKick,128,drums,2\n")]
    [InlineData("out-of-range", "name,note,family,output\nKick,36,drums,65\n")]
    [InlineData("doubled", "name,note,family,output\nKick,36,drums,2\nRim,36,drums,2\n")]
    [InlineData("bad-text", "name,note,family,output\n,36,drums,2\n")]
    [InlineData("empty", "")]
    [InlineData("out-of-range", "name,note,family,output\n")]
    public void Read_ATableThatCannotBeAKit_SaysWhy(string code, string table)
    {
        Assert.Equal(code, Refused(Encoding.UTF8.GetBytes(table)).Code);
    }

    [Fact]
    public void Read_BytesThatAreNoText_AreRefused()
    {
        Assert.Equal("not-text", Refused([0xFF, 0xFE, 0x00, 0xD8]).Code);
        Assert.Equal("too-large", Refused(new byte[KitCsv.MostBytes + 1]).Code);
    }

    [Fact]
    public void Read_DamagedTables_NeverThrows()
    {
        var whole = Encoding.UTF8.GetBytes("name,note,family,output\n" + string.Concat(Enumerable.Range(0, 40).Select(i => $"\"Piece {i}\",{i + 30},drums/x,{1 + i % 8}\n")));
        var random = new Random(6);
        for (var i = 0; i < 2000; i++)
        {
            var damaged = whole.ToArray();
            for (var hit = random.Next(1, 8); hit > 0; hit--)
                damaged[random.Next(damaged.Length)] = (byte)random.Next(128);

            if (KitCsv.Read(damaged, Current) is FormatResult<Kit>.Read read)
                Assert.Null(KitRules.Check(read.Value));
        }
    }

    private static Kit Read(string table) => Assert.IsType<FormatResult<Kit>.Read>(KitCsv.Read(Encoding.UTF8.GetBytes(table), Current)).Value;

    private static FormatResult<Kit>.Refused Refused(byte[] bytes) => Assert.IsType<FormatResult<Kit>.Refused>(KitCsv.Read(bytes, Current));
}
