using System.Text;
using HomeStage.Formats.Tests.Sfz;

namespace HomeStage.Formats.Tests;

/// <summary>Small files that ask for much: each was, or could have been, a way to take the machine.</summary>
internal static class Bombs
{
    private const int Mega = 1024 * 1024;

    /// <summary>A long global before many regions.</summary>
    public static byte[] LongGlobal(int opcodes, int regions) => Sfz(
        $"<global> {string.Join(' ', Enumerable.Range(0, opcodes).Select(i => $"o{i}=1"))}\n{Repeated("<region>key=36 sample=a.wav\n", regions)}");

    public static byte[] DefinesAndDollars(int defines, int dollars) => Sfz(
        $"{string.Concat(Enumerable.Range(0, defines).Select(i => $"#define $A{i} b\n"))}<region> key=36 sample={new string('$', dollars)}\n");

    public static byte[] IncludesThatFanOut(int wide, int deep) => SfzReaderTests.Zip(
        [.. Enumerable.Range(0, deep).Select(i => ($"{i}.sfz", Text(Repeated($"#include \"{i + 1}.sfz\"\n", wide)))), ($"{deep}.sfz", Text("<region> key=36\n"))]);

    public static byte[] IncludesOfNothing(int count) => SfzReaderTests.Zip(("kit.sfz", Text(Repeated("#include \"b\"\n", count) + "<region> key=36\n")), ("b", []));

    public static byte[] LongDefineNamedOften(int length, int times) => Sfz($"#define $X {new string('y', length)}\n<region> key=36 sample={Repeated("$X", times)}\n");

    public static byte[] DefinesOfDefines(int deep) => Sfz(
        $"#define $L0 {new string('z', 100)}\n{string.Concat(Enumerable.Range(1, deep).Select(i => $"#define $L{i} {Repeated($"$L{i - 1}", 10)}\n"))}<region> key=36 sample=$L{deep}\n");

    public static byte[] RegionsOnOneKey(int regions) => Sfz(string.Concat(Enumerable.Range(0, regions).Select(i => $"<region>key=36 lovel={i % 127} sample=gone{i}.wav\n")));

    public static byte[] OpenComments(int count) => Sfz(Repeated("/*", count) + "\n<region> key=36\n");

    public static byte[] ZerosInAZip(int megabytes) => SfzReaderTests.Zip(("kit.sfz", Text("<region> key=36 sample=a.wav\n<region> key=37 sample=b.wav")), ("a.wav", Wave(megabytes)), ("b.wav", Wave(megabytes)));

    public static byte[] ManyFilesInAZip(int files) => SfzReaderTests.Zip([.. Enumerable.Range(0, files).Select(i => ($"{i}.wav", Array.Empty<byte>()))]);

    /// <summary>Note-ons of one key, with running status, none ever let go.</summary>
    public static byte[] NotesOfOneKey(int notes) => Midi([0, 0x90, 60, 100, .. Enumerable.Range(1, notes - 1).SelectMany(_ => (byte[])[0, 60, 100])]);

    /// <summary>Note-ons of one key first, and then as many note-offs.</summary>
    public static byte[] NotesThenOffs(int notes) => Midi([0, 0x90, 60, 100, .. Enumerable.Range(1, notes - 1).SelectMany(_ => (byte[])[0, 60, 100]), .. Enumerable.Range(0, notes).SelectMany(_ => (byte[])[0, 60, 0])]);

    /// <summary>A text that says to be a quarter of a gigabyte long: 32 bytes.</summary>
    public static byte[] LongTextOfAFewBytes() => Midi([0, 0xFF, 0x01, 0xFF, 0xFF, 0xFF, 0x7F]);

    public static byte[] LongDeltas(int notes) => Midi([.. Enumerable.Range(0, notes).SelectMany(_ => (byte[])[0xFF, 0xFF, 0xFF, 0x7F, 0x90, 60, 100])]);

    public static byte[] ManyTracks(int tracks) =>
        [.. "MThd"u8, 0, 0, 0, 6, 0, 1, (byte)(tracks >> 8), (byte)tracks, 0, 96, .. Enumerable.Range(0, tracks).SelectMany(_ => (byte[])[.. "MTrk"u8, 0, 0, 0, 8, 0, 0x90, 60, 100, 1, 0x80, 60, 0])];

    public static byte[] ManyChannels(int channels) => Text($$$"""{"format":"home-stage-template","schemaVersion":3,"template":{"channels":[{{{string.Join(',', Enumerable.Repeat("{\"id\":\"a\",\"name\":\"b\",\"kind\":\"bus\"}", channels))}}}]}}""");

    public static byte[] DeepBrackets(int deep) => Text(new string('[', deep));

    public static byte[] ManyTokens(int tokens) => Text($$$"""{"format":"home-stage-template","schemaVersion":3,"template":[{{{string.Join(',', Enumerable.Repeat("0", tokens))}}}]}""");

    public static byte[] OldKits(int kits) => Text($$$"""{"format":"home-stage-template","schemaVersion":2,"template":{"channels":[{{{string.Join(',', Enumerable.Repeat("{\"pieces\":[],\"outputs\":[{\"hears\":\"hall\"}]}", kits))}}}]}}""");

    /// <summary>A chunk that says to be as long as 64 bits can say.</summary>
    public static byte[] EndlessChunk() =>
        [.. "RF64"u8, 0xFF, 0xFF, 0xFF, 0xFF, .. "WAVEds64"u8, 28, 0, 0, 0, .. Enumerable.Repeat((byte)0xFF, 7), 0x7F, .. Enumerable.Repeat((byte)0xFF, 7), 0x7F, .. new byte[12], .. "data"u8, 0xFF, 0xFF, 0xFF, 0xFF];

    public static byte[] ChunksOfNothing(int count) => [.. "RIFF"u8, 0, 0, 0, 0, .. "WAVE"u8, .. Enumerable.Range(0, count).SelectMany(_ => (byte[])[.. "JUNK"u8, 0, 0, 0, 0])];

    public static byte[] LongNames(int notes) => Text(
        $"<MIDINameDocument><NoteNameList>{string.Concat(Enumerable.Range(0, notes).Select(i => $"<Note Number=\"{i % 200}\" Name=\"{new string('n', 40)}\"/>"))}</NoteNameList></MIDINameDocument>");

    public static byte[] EntitiesInEntities() => Text(
        "<!DOCTYPE a [<!ENTITY a \"aaaaaaaaaa\">" + string.Concat(Enumerable.Range(0, 9).Select(i => $"<!ENTITY a{i} \"{Repeated($"&a{(i == 0 ? "" : i - 1)};", 10)}\">")) + "]><MIDINameDocument>&a8;</MIDINameDocument>");

    public static byte[] ManyLists(int lists) => Text($"<MIDINameDocument>{Repeated("<NoteNameList/>", lists)}</MIDINameDocument>");

    public static byte[] WideTable(int columns, int rows) => Text($"name,note,family,output,{new string(',', columns)}\n{Repeated($"a,1,b,1{new string(',', columns)}\n", rows)}");

    public static byte[] OpenQuotes(int count) => Text($"name,note,family,output\n{Repeated("\"a\n", count)}");

    private static byte[] Sfz(string text) => SfzReaderTests.Zip(("kit.sfz", Text(text)), ("a.wav", SfzReaderTests.Wave()));

    private static byte[] Text(string text) => Encoding.UTF8.GetBytes(text);

    private static string Repeated(string text, int times) => new StringBuilder(text.Length * times).Insert(0, text, times).ToString();

    private static byte[] Midi(byte[] body) =>
        [.. "MThd"u8, 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, .. "MTrk"u8, (byte)(body.Length >> 24), (byte)(body.Length >> 16), (byte)(body.Length >> 8), (byte)body.Length, .. body];

    private static byte[] Wave(int megabytes)
    {
        var length = megabytes * Mega;
        byte[] header = [.. "RIFF"u8, .. BitConverter.GetBytes(length + 36), .. "WAVEfmt "u8, 16, 0, 0, 0, 1, 0, 1, 0, 0x80, 0xBB, 0, 0, 0, 0x77, 1, 0, 2, 0, 16, 0, .. "data"u8, .. BitConverter.GetBytes(length)];
        var file = new byte[header.Length + length];
        header.CopyTo(file, 0);
        return file;
    }
}
