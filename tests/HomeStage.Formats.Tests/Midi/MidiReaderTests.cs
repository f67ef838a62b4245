using System.Diagnostics;
using HomeStage.Core.Timing;
using HomeStage.Formats.Midi;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.Midi;

/// <summary>Bytes written out by hand after the Standard MIDI File 1.0 specification (from memory).</summary>
public class MidiReaderTests
{
    [Fact]
    public void Read_ATypeZeroFile_GivesAPartForEachChannel()
    {
        var file = File(0, 96, [[
            0x00, 0x90, 60, 100, 0x60, 0x80, 60, 0,
            0x00, 0x99, 36, 110, 0x30, 0x89, 36, 0,
        ]]);

        var parts = Content(file).Parts;

        Assert.Equal([1, 10], parts.Select(p => p.Channel));
        Assert.Equal(new Note(0, 960, 60, 100), Assert.Single(parts[0].Pattern.Notes));
        Assert.Equal(new Note(960, 480, 36, 110), Assert.Single(parts[1].Pattern.Notes));
    }

    [Fact]
    public void Read_RunningStatus_AndNoteOnsOfVelocityZero_AsNoteOffs()
    {
        var file = File(0, 480, [[0x00, 0x90, 60, 100, 0x81, 0x70, 60, 0, 0x00, 64, 90, 0x81, 0x70, 64, 0]]);

        // 0x81 0x70 is 240 ticks of 480: an eighth, 480 of ours.
        Assert.Equal([new Note(0, 480, 60, 100), new Note(480, 480, 64, 90)], Assert.Single(Content(file).Parts).Pattern.Notes);
    }

    [Fact]
    public void Read_NotesOfOneKeyThatOverlap_EndInTheOrderInWhichTheyBegan()
    {
        var file = File(0, 96, [[0x00, 0x90, 60, 100, 0x10, 60, 90, 0x10, 60, 0, 0x20, 60, 0]]);

        // 16 ticks of 96 are 160 of ours: the first ends at 32 and the second at 64.
        Assert.Equal([new Note(0, 320, 60, 100), new Note(160, 480, 60, 90)], Assert.Single(Content(file).Parts).Pattern.Notes);
    }

    [Fact]
    public void Read_TracksOfATypeOneFile_KeepTheirNames_AndAPatternLastsWholeBars()
    {
        var file = File(1, 96,
        [
            [0x00, 0xFF, 0x58, 4, 3, 2, 24, 8, 0x00, 0xFF, 0x51, 3, 0x09, 0x27, 0xC0],
            [0x00, 0xFF, 0x03, 5, (byte)'D', (byte)'r', (byte)'u', (byte)'m', (byte)'s', 0x00, 0x99, 38, 80, 0x83, 0x00, 0x89, 38, 0],
        ]);

        var content = Content(file);

        var part = Assert.Single(content.Parts);
        Assert.Equal(("Drums", "Drums"), (part.TrackName, part.Pattern.Name));
        // 0x83 0x00 is 384 ticks of 96: four quarters, so two bars of 3/4.
        Assert.Equal(2 * 3 * Ticks.PerQuarter, part.Pattern.LengthTicks);
        // 0x0927C0 is 600 000 microseconds a quarter.
        Assert.Equal(100, content.TempoBpm!.Value, 1e-9);
    }

    [Fact]
    public void Read_EmptyBarsBeforeTheFirstNote_AreLeftOutAndCounted()
    {
        var file = File(0, 96, [[0x86, 0x60, 0x90, 60, 100, 0x60, 0x80, 60, 0]]);

        var part = Assert.Single(Content(file).Parts);

        // 0x86 0x60 is 864 ticks of 96: nine quarters, two bars of 4/4 and a beat.
        Assert.Equal((2, 960), (part.SkippedBars, part.Pattern.Notes[0].StartTick));
    }

    [Fact]
    public void Read_WhatIsNoNote_IsLeftOutAndSaid()
    {
        var file = File(0, 96, [[0x00, 0xB0, 1, 64, 0x00, 0xE0, 0, 64, 0x00, 0x90, 60, 100, 0x60, 0x80, 60, 0]]);

        Assert.Equal(["1 controllers", "1 pitch bend"], Content(file).LeftOut);
    }

    [Theory]
    [InlineData("midi-type", 2, 0x00)]
    [InlineData("midi-timing", 1, 0xE7)]
    public void Read_KindsThatCannotBeRead_AreRefusedByName(string code, byte type, byte timing)
    {
        var file = File(1, 96, [[0x00, 0x90, 60, 100, 0x60, 0x80, 60, 0]]);
        file[9] = type;
        file[12] = timing;

        Assert.Equal(code, Refused(file).Code);
    }

    [Fact]
    public void Read_FilesThatAreNone_AreRefusedInWords()
    {
        Assert.Equal("not-midi", Refused([]).Code);
        Assert.Equal("not-midi", Refused("RIFF....WAVEfmt ........."u8.ToArray()).Code);
        Assert.Equal("no-notes", Refused(File(0, 96, [[0x00, 0xB0, 1, 64]])).Code);
        Assert.Equal("too-large", Refused(new byte[MidiReader.MostBytes + 1]).Code);
        Assert.Equal("damaged", Refused(File(0, 96, [[0x00, 0x90, 60, 100, 0x60, 0x80, 60, 0]])[..30]).Code);
    }

    [Fact]
    public void Read_DamagedFiles_AnswersEachWithinTwoSeconds_AndNeverThrows()
    {
        var random = new Random(21);
        var whole = File(1, 96, [.. Enumerable.Range(0, 4).Select(t => Enumerable.Range(0, 60).SelectMany(i => new byte[] { 0x10, (byte)(0x90 + t), (byte)(40 + i), 100, 0x20, (byte)(0x80 + t), (byte)(40 + i), 0 }).ToArray())]);
        var slowest = TimeSpan.Zero;
        for (var i = 0; i < 3000; i++)
        {
            var damaged = whole.ToArray();
            for (var hit = random.Next(1, 12); hit > 0; hit--)
                damaged[random.Next(i % 2 == 0 ? 14 : 0, damaged.Length)] = (byte)random.Next(256);
            if (i % 4 == 0)
                damaged = damaged[..random.Next(damaged.Length)];
            var watch = Stopwatch.StartNew();

            if (MidiReader.Read(damaged) is FormatResult<MidiContent>.Read read)
                Assert.All(read.Value.Parts, p => Assert.Null(PatternRules.Check(p.Pattern)));

            slowest = watch.Elapsed > slowest ? watch.Elapsed : slowest;
        }

        Assert.True(slowest < Runs.Within(2), $"The slowest took {slowest}.");
    }

    [Fact]
    public void Read_RandomBytesBehindAHeader_NeverThrows()
    {
        var random = new Random(2);
        for (var i = 0; i < 500; i++)
        {
            var bytes = File(1, 96, [[0]]);
            var noise = new byte[random.Next(4000)];
            random.NextBytes(noise);

            Assert.NotNull(MidiReader.Read([.. bytes[..14], .. "MTrk"u8, 0, 0, 0x10, 0, .. noise]));
        }
    }

    private static byte[] File(byte type, int division, byte[][] tracks) =>
        [.. "MThd"u8, 0, 0, 0, 6, 0, type, 0, (byte)tracks.Length, (byte)(division >> 8), (byte)division, .. tracks.SelectMany(Track)];

    private static byte[] Track(byte[] events)
    {
        byte[] body = [.. events, 0x00, 0xFF, 0x2F, 0x00];
        return [.. "MTrk"u8, (byte)(body.Length >> 24), (byte)(body.Length >> 16), (byte)(body.Length >> 8), (byte)body.Length, .. body];
    }

    private static MidiContent Content(byte[] file) => Assert.IsType<FormatResult<MidiContent>.Read>(MidiReader.Read(file)).Value;

    private static FormatResult<MidiContent>.Refused Refused(byte[] file) => Assert.IsType<FormatResult<MidiContent>.Refused>(MidiReader.Read(file));
}
