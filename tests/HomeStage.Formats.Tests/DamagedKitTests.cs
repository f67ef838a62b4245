using System.Diagnostics;
using System.Text;
using HomeStage.Core.Kits;
using HomeStage.Formats.Csv;
using HomeStage.Formats.MidiNames;
using HomeStage.Formats.Sfz;
using HomeStage.Formats.Tests.Sfz;

namespace HomeStage.Formats.Tests;

/// <summary>Ten thousand damaged files of each kind: each is answered by a kit or by a refusal, and soon.</summary>
public sealed class DamagedKitTests
{
    private const int Files = 10_000;
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(2);

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

        Assert.True(read > 500 && refused > 500, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void MidiNames()
    {
        var xml = MidiNameDocument.Write("Kit", StandInKits.Tidewater);
        var chance = new Random(2);

        var (read, refused) = Answers(_ => MidiNameDocument.Read(Damaged(xml, chance)) is FormatResult<IReadOnlyList<MidiNameDocument.NamedNote>>.Read);

        Assert.True(read > 500 && refused > 500, $"{read} were read and {refused} refused.");
    }

    [Fact]
    public void Tables()
    {
        var table = KitCsv.Write(StandInKits.TidewaterDeep);
        var chance = new Random(3);

        var (read, refused) = Answers(_ => KitCsv.Read(Damaged(table, chance), StandInKits.Tidewater) is FormatResult<Kit>.Read);

        Assert.True(read > 500 && refused > 500, $"{read} were read and {refused} refused.");
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
