using System.Diagnostics;
using System.Text;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Formats.Csv;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Midi;
using HomeStage.Formats.MidiNames;
using HomeStage.Formats.ModuleInfo;
using HomeStage.Formats.Sfz;
using HomeStage.Formats.Tests.Sfz;
using HomeStage.Formats.Wave;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests;

/// <summary>Thousands of damaged files of each kind: each is answered by what it holds or by a refusal, and soon.</summary>
public sealed class DamagedFileTests
{
    private static readonly int Files = Runs.Of(4_000, 20_000);
    private static readonly TimeSpan Longest = Runs.Within(2);

    [Fact]
    public void Sfz()
    {
        var text = Encoding.UTF8.GetBytes("<control> default_path=s/\n#define $N 36\n<global> pan=10 <group> output=2 group_label=Low\n<region> key=$N lovel=1 hivel=64 sample=a.wav\n<region> lokey=c3 hikey=d#3 sample=b.wav /* c */\n#include \"more.sfz\"\n");
        var zip = SfzReaderTests.Zip(("kit.sfz", text), ("more.sfz", "<region> key=40 sample=a.wav"u8.ToArray()), ("s/a.wav", SfzReaderTests.Wave()), ("s/b.wav", SfzReaderTests.Wave()));
        var chance = new Random(1);

        var (read, refused) = Answers(i => i % 2 == 0
            ? SfzReader.Read(Damaged(zip, chance), new PathTray()) is FormatResult<SfzKit>.Read
            // The archive whole and its text damaged, so that the damage reaches the reader behind it.
            : SfzReader.Read(SfzReaderTests.Zip(("kit.sfz", Damaged(text, chance)), ("s/a.wav", SfzReaderTests.Wave())), new PathTray()) is FormatResult<SfzKit>.Read);

        Assert.True(read > Files / 20 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void MidiNames()
    {
        var xml = MidiNameDocument.Write("Kit", StandInKits.Tidewater);
        var chance = new Random(2);

        var (read, refused) = Answers(_ => MidiNameDocument.Read(Damaged(xml, chance)) is FormatResult<IReadOnlyList<MidiNameDocument.NamedNote>>.Read);

        Assert.True(read > Files / 20 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void Tables()
    {
        var table = KitCsv.Write(StandInKits.TidewaterDeep);
        var chance = new Random(3);

        var (read, refused) = Answers(_ => KitCsv.Read(Damaged(table, chance), StandInKits.Tidewater) is FormatResult<KitTable>.Read);

        Assert.True(read > Files / 40 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void DeviceTables()
    {
        var table = Encoding.UTF8.GetBytes("name,kind,maker,latency,rate,share,here\n\"Old, Winch\",compressor,Nobody,64,44100,0.4,no\nLoom,synth,\"Some\"\"body\",,,,\n");
        var chance = new Random(31);

        var (read, refused) = Answers(_ => DeviceCsv.Read(Damaged(table, chance)) is FormatResult<FoundDevices>.Read);

        Assert.True(read > Files / 20 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void PatchingTables()
    {
        var table = Encoding.UTF8.GetBytes("channel,input,name,second name,heard,armed\r\n\"Oboe, far\",5+6,\"Wall \"\"5\"\"\",,yes,no\r\nLute,12,,,no,\r\n");
        var chance = new Random(33);

        var (read, refused) = Answers(_ => PatchCsv.Read(Damaged(table, chance)) is FormatResult<PatchTable>.Read);

        Assert.True(read > Files / 20 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void Projects()
    {
        using var file = new MemoryStream();
        ProjectFile.Write(new RandomTemplates(9).Grown(40), "write", _ => null, file);
        var whole = file.ToArray();
        var xml = Encoding.UTF8.GetBytes("<Project version=\"1.0\"><Transport><Tempo value=\"97\" unit=\"bpm\"/></Transport><Arrangement><Lanes><Lanes track=\"a\"><Clips><Clip time=\"0\" duration=\"8\" loopStart=\"0\" loopEnd=\"2\"><Notes><Note time=\"0\" duration=\"1\" key=\"60\" vel=\"0.5\"/></Notes></Clip></Clips></Lanes></Lanes><Markers><Marker time=\"4\" name=\"Verse\"/></Markers></Arrangement><Structure><Track id=\"a\" name=\"Oboe\" color=\"#aa5533\" contentType=\"notes\"><Channel id=\"c\" destination=\"m\"><Volume value=\"0.5\" unit=\"linear\"/><Pan value=\"0.2\"/></Channel></Track><Track name=\"Out\"><Channel id=\"m\" role=\"master\"/></Track></Structure></Project>");
        var chance = new Random(34);

        var (read, refused) = Answers(i => i % 4 == 0
            ? ProjectReader.Read(Damaged(whole, chance), "x") is FormatResult<ReadProject>.Read
            // The archive whole and its text damaged, so that the damage reaches the reader behind it.
            : ProjectReader.Read(SfzReaderTests.Zip(("project.xml", Damaged(xml, chance))), "x") is FormatResult<ReadProject>.Read);

        Assert.True(read > Files / 40 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void ModuleDescriptions()
    {
        var text = Encoding.UTF8.GetBytes("{ // by hand\n\"Factory Info\": {\"Vendor\": \"Nobody\",}, \"Classes\": [{\"CID\": \"AB\", \"Category\": \"Audio Module Class\", \"Name\": \"Slow Tide\", \"Sub Categories\": [\"Fx\", \"Reverb\",],},]}");
        var chance = new Random(32);

        var (read, refused) = Answers(_ => ModuleInfoReader.Read(Damaged(text, chance)) is FormatResult<FoundDevices>.Read);

        Assert.True(read > Files / 20 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void Sounds()
    {
        using var stream = new MemoryStream();
        float[] lane = [.. Enumerable.Range(0, 400).Select(i => i / 400f)];
        WaveWriter.Write(new(lane, lane, 44100, 0), WaveDepth.Int24, stream);
        var whole = stream.ToArray();
        var chance = new Random(4);

        // Most of a file is samples, which any byte may be; so the damage is done to its head.
        var (read, refused) = Answers(_ => WaveReader.Read([.. Damaged(whole[..60], chance), .. whole[60..]]) is FormatResult<MediaSound>.Read);

        Assert.True(read > Files / 20 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void MidiFiles()
    {
        byte[] track = [.. Enumerable.Range(0, 60).SelectMany(i => new byte[] { 0x10, 0x90, (byte)(40 + i), 100, 0x20, 0x80, (byte)(40 + i), 0 }), 0, 0xFF, 0x2F, 0];
        byte[] notes = [.. "MThd"u8, 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, .. "MTrk"u8, 0, 0, (byte)(track.Length >> 8), (byte)track.Length, .. track];
        var chance = new Random(5);

        var (read, refused) = Answers(_ => MidiReader.Read(Damaged(notes, chance)) is FormatResult<MidiContent>.Read);

        Assert.True(read > Files / 20 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void Documents()
    {
        var whole = TemplateDocument.Write(new TestKit.RandomTemplates(8).Grown(60));
        var chance = new Random(6);

        var (read, refused) = Answers(_ => TemplateDocument.Read(Damaged(whole, chance)) is FormatResult<Core.Templates.Template>.Read);

        // Most places of a document matter, so few that are damaged are still one.
        Assert.True(read > Files / 200 && refused > Files / 20, $"{read} were read and {refused} refused.");
    }

    private static (int Read, int Refused) Answers(Func<int, bool> isRead)
    {
        var read = 0;
        for (var i = 0; i < Files; i++)
        {
            var watch = Stopwatch.StartNew();
            read += isRead(i) ? 1 : 0;
            Assert.True(watch.Elapsed < Longest, $"File {i} took {watch.Elapsed.TotalSeconds:0.0} s.");
        }

        return (read, Files - read);
    }

    /// <summary>Up to six bytes changed, taken out, doubled or cut off.</summary>
    private static byte[] Damaged(byte[] whole, Random chance)
    {
        var bytes = whole.ToList();
        for (var n = chance.Next(1, 7); n > 0 && bytes.Count > 1; n--)
        {
            var at = chance.Next(bytes.Count);
            switch (chance.Next(8))
            {
                case 0:
                    bytes.RemoveAt(at);
                    break;
                case 1:
                    bytes.InsertRange(at, bytes.GetRange(at, Math.Min(chance.Next(1, 40), bytes.Count - at)));
                    break;
                case 2 when chance.Next(4) == 0:
                    bytes.RemoveRange(at, bytes.Count - at);
                    break;
                default:
                    bytes[at] = (byte)chance.Next(256);
                    break;
            }
        }

        return [.. bytes];
    }
}
