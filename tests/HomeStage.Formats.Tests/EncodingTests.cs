using System.IO.Compression;
using System.Text;
using HomeStage.Formats.Csv;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Midi;
using HomeStage.Formats.Sfz;
using HomeStage.Formats.Tests.Sfz;

namespace HomeStage.Formats.Tests;

/// <summary>Files as programs of today and of yesterday write them. Bytes are those of the code pages' tables: Windows-1252 (0xFC is ü, 0x96 an en dash),
/// IBM 437 (0x81 is ü), UTF-8 and UTF-16 of The Unicode Standard; from memory.</summary>
public class EncodingTests
{
    [Fact]
    public void ATable_IsReadAsSpreadsheetsWriteIt()
    {
        const string Text = "Channel;Input\r\nKühn – Öl;5";
        byte[] older = [.. "Channel;Input\r\nK"u8, 0xFC, .. "hn "u8, 0x96, .. " "u8, 0xD6, .. "l;5"u8];
        byte[][] files = [Encoding.UTF8.GetBytes(Text), [0xEF, 0xBB, 0xBF, .. Encoding.UTF8.GetBytes(Text)], [0xFF, 0xFE, .. Encoding.Unicode.GetBytes(Text)], [0xFE, 0xFF, .. Encoding.BigEndianUnicode.GetBytes(Text)], older];

        Assert.All(files, file =>
        {
            var row = Assert.Single(Assert.IsType<FormatResult<PatchTable>.Read>(PatchCsv.Read(file)).Value.Rows);
            Assert.Equal(("Kühn – Öl", 5), (row.Channel, row.Inputs!.Single()));
        });
    }

    [Fact]
    public void WhatIsNoText_IsRefusedInWords()
    {
        var refused = Assert.IsType<FormatResult<PatchTable>.Refused>(PatchCsv.Read([0x50, 0x4B, 0x03, 0x04, 0x00, 0x00]));

        Assert.Equal("not-text", refused.Code);
        Assert.Contains("CSV", refused.Sentence, StringComparison.Ordinal);
    }

    public static TheoryData<byte[], byte[]> NamesInAnArchive => new()
    {
        // As the instrument's file says the sample, and as the archive names it: UTF-8, with the accent taken apart, in code page 437.
        { "K\u00FCche.wav"u8.ToArray(), "K\u00FCche.wav"u8.ToArray() },
        { "K\u00FCche.wav"u8.ToArray(), "Ku\u0308che.wav"u8.ToArray() },
        { [.. "K"u8, 0xFC, .. "che.wav"u8], [.. "K"u8, 0x81, .. "che.wav"u8] },
    };

    [Theory]
    [MemberData(nameof(NamesInAnArchive))]
    public void ASampleOfAKit_IsFound_HoweverItsNameIsWritten(byte[] said, byte[] named)
    {
        var zip = Zip(("kit.sfz"u8.ToArray(), [.. "<region> key=36 sample="u8, .. said, .. "\n"u8]), (named, SfzReaderTests.Wave()));

        var kit = Assert.IsType<FormatResult<SfzKit>.Read>(SfzReader.Read(zip, new PathTray())).Value;

        Assert.Single(kit.Pieces.Single().Layers);
        Assert.Empty(kit.LeftOut);
    }

    [Theory]
    [InlineData("utf-16")]
    [InlineData("iso-8859-1")]
    public void AProject_IsReadInTheEncodingThatItSays_WithFilesNamedInAnOlderOne(string encoding)
    {
        var xml = $"""
            <?xml version="1.0" encoding="{encoding}"?>
            <Project version="1.0"><Arrangement><Lanes timeUnit="beats"><Lanes track="a"><Clips><Clip time="0" duration="8"><Audio><File path="audio/Küche.wav"/></Audio></Clip></Clips></Lanes></Lanes></Arrangement>
            <Structure><Track id="a" name="Löffel" contentType="audio"><Channel id="ca"/></Track></Structure></Project>
            """;
        var bytes = Encoding.GetEncoding(encoding) is var written && encoding == "utf-16" ? [0xFF, 0xFE, .. written.GetBytes(xml)] : written.GetBytes(xml);

        var read = Assert.IsType<FormatResult<ReadProject>.Read>(ProjectReader.Read(Zip(("project.xml"u8.ToArray(), bytes), ([.. "audio/K"u8, 0x81, .. "che.wav"u8], SfzReaderTests.Wave())), "X")).Value;

        Assert.Equal("Küche", read.Template.Channels.Single(c => c.Name == "Löffel").Starters.Single().Name);
    }

    [Fact]
    public void ATrackOfAnOlderMidiFile_HasItsName()
    {
        byte[] name = [.. "Fl"u8, 0xF6, .. "te "u8, 0x93, .. "hoch"u8, 0x94, 0];
        byte[] body = [0x00, 0xFF, 0x03, (byte)name.Length, .. name, 0x00, 0x90, 60, 100, 0x60, 0x80, 60, 0, 0x00, 0xFF, 0x2F, 0x00];

        var read = Assert.IsType<FormatResult<MidiContent>.Read>(MidiReader.Read([.. "MThd"u8, 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, .. "MTrk"u8, 0, 0, 0, (byte)body.Length, .. body])).Value;

        Assert.Equal("Flöte “hoch”", read.Parts.Single().TrackName);
    }

    /// <summary>Entries stored under names of any bytes, with no word on how they are written. PKWARE, APPNOTE.TXT, 4.3.</summary>
    private static byte[] Zip(params (byte[] Name, byte[] Bytes)[] files)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true, new RawNames()))
            foreach (var (name, bytes) in files)
            {
                using var entry = zip.CreateEntry(Encoding.Latin1.GetString(name)).Open();
                entry.Write(bytes);
            }

        var whole = stream.ToArray();
        // The language flag is taken away where it was set: bit 11 of the flags, in the local and the central header.
        for (var i = 0; i + 10 < whole.Length; i++)
            if (whole[i] == 'P' && whole[i + 1] == 'K' && (whole[i + 2], whole[i + 3]) is (3, 4) or (1, 2))
                whole[i + (whole[i + 2] == 3 ? 7 : 9)] &= 0xF7;
        return whole;
    }

    /// <summary>One byte a character, as they are.</summary>
    private sealed class RawNames : Encoding
    {
        public override int GetByteCount(char[] chars, int index, int count) => count;

        public override int GetBytes(char[] chars, int charIndex, int charCount, byte[] bytes, int byteIndex) => Latin1.GetBytes(chars, charIndex, charCount, bytes, byteIndex);

        public override int GetCharCount(byte[] bytes, int index, int count) => count;

        public override int GetChars(byte[] bytes, int byteIndex, int byteCount, char[] chars, int charIndex) => Latin1.GetChars(bytes, byteIndex, byteCount, chars, charIndex);

        public override int GetMaxByteCount(int charCount) => charCount;

        public override int GetMaxCharCount(int byteCount) => byteCount;
    }
}
