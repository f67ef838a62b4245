using System.Text;
using FsCheck.Xunit;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;
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
            [Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Snare, top", 38, "drums/snare", 3, DrumSound.Snare)],
            kit.Pieces);
        Assert.Equal(Current.Outputs, kit.Outputs);
    }

    /// <summary>Every field of every line: several microphones, far ones, pins, pans to the last digit, voices, sounds and their layers.</summary>
    [Property(MaxTest = 200)]
    public void Read_WhatWasWritten_ChangesNothing(int seed)
    {
        var chance = new Random(seed);
        var kit = Grown(chance);
        Assert.Null(KitRules.Check(kit));

        var read = ((FormatResult<KitTable>.Read)KitCsv.Read(KitCsv.Write(kit), kit)).Value;

        Assert.Equal(kit, read.Kit);
        Assert.Empty(read.LeftOut);
    }

    [Fact]
    public void Read_SoundsThatAreNowhere_AreSaid_AndTheNextHarderOnePlaysFromTheSoftestOn()
    {
        var (soft, hard) = (Sound('a', 1), Sound('b', 2));
        var kit = Current with { Pieces = [Current.Pieces[0] with { Sample = soft, Layers = [new(90, hard)] }] };

        var read = ((FormatResult<KitTable>.Read)KitCsv.Read(KitCsv.Write(kit), Current, content => content == hard.Content ? hard : null)).Value;

        Assert.Equal((hard, []), (read.Kit.Pieces[0].Sample, read.Kit.Pieces[0].Layers));
        Assert.Contains("aaaaaaaaaaaa", Assert.Single(read.LeftOut), StringComparison.Ordinal);
    }

    private static Kit Grown(Random chance)
    {
        var voices = Enum.GetValues<DrumSound>();
        var outputs = Enumerable.Range(1, 1 + chance.Next(12)).Select(n => new KitOutput($"Jack {n}", (ChannelFormat)chance.Next(2))).ToSequence();
        Microphone Stood(string name) => new(name, 1 + chance.Next(outputs.Count), chance.NextDouble() * 2 - 1)
        {
            Format = (ChannelFormat)chance.Next(2),
            Importance = 1 + chance.Next(9),
            Stay = (PieceStay)chance.Next(3),
            AlsoOnFirst = chance.Next(3) == 0,
        };
        Microphone Close(string name) => Stood(name) with { NeighboursDb = chance.Next(2) == 0 ? null : -60 * chance.NextDouble() };
        return new Kit(
            Enumerable.Range(0, 1 + chance.Next(20)).Select(i => new Piece($"=Drum; \"{i}\", é", 20 + i, chance.Next(4) == 0 ? "" : $"drums/{i % 3}", voices[chance.Next(voices.Length)],
                chance.Next(2) == 0 ? [Close("")] : [Close("top, close"), Close("'-bottom")], chance.Next(2) == 0 ? null : Sound('c', i))).Select(p => p.Sample is null || chance.Next(2) == 0 ? p : p with { Layers = [new(40, Sound('d', p.Note)), new(127, Sound('e', p.Note))] }).ToSequence(),
            outputs, chance.Next(2) == 0)
        {
            Far = Enumerable.Range(0, chance.Next(3)).Select(n => new FarMicrophone("drums/rooms", (FarPlace)chance.Next(2), Stood($"Room {n}"))).ToSequence(),
        };
    }

    private static MediaRef Sound(char digit, int number) => new($"{new string(digit, 60)}{number:0000}", $"Slate {number}", 48000, 1, 4800);

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
        Assert.Equal(name.Trim(), ((FormatResult<KitTable>.Read)KitCsv.Read(table, kit)).Value.Kit.Pieces[0].Name.Trim());
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
    [InlineData("number", "name,note,family,output,pan\nKick,36,drums,2,left\n")]
    [InlineData("number", "name,note,family,output,place\nKick,36,drums,2,somewhere\n")]
    [InlineData("number", "name,note,family,output,harder\nKick,36,drums,2,loud\n")]
    [InlineData("number", "name,note,family,output,microphone\nHall,,drums,2,upstairs\n")]
    [InlineData("out-of-range", "name,note,family,output,pan\nKick,36,drums,2,1.5\n")]
    [InlineData("empty", "")]
    [InlineData("out-of-range", "name,note,family,output\n")]
    public void Read_ATableThatCannotBeAKit_SaysWhy(string code, string table)
    {
        Assert.Equal(code, Refused(Encoding.UTF8.GetBytes(table)).Code);
    }

    [Fact]
    public void Read_BytesThatAreNoText_AreRefused()
    {
        Assert.Equal("not-text", Refused([0x6E, 0x00, 0x61, 0xD8]).Code);
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

            if (KitCsv.Read(damaged, Current) is FormatResult<KitTable>.Read read)
                Assert.Null(KitRules.Check(read.Value.Kit));
        }
    }

    private static Kit Read(string table) => Assert.IsType<FormatResult<KitTable>.Read>(KitCsv.Read(Encoding.UTF8.GetBytes(table), Current)).Value.Kit;

    private static FormatResult<KitTable>.Refused Refused(byte[] bytes) => Assert.IsType<FormatResult<KitTable>.Refused>(KitCsv.Read(bytes, Current));
}
