using System.Text;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Devices;
using HomeStage.Core.Kits;
using HomeStage.Core.Notes;
using HomeStage.Core.Pieces;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.Documents;

/// <summary>Items of the shelf as files.</summary>
public class ShelfDocumentTests
{
    public static TheoryData<string> Kinds => ["kit", "machine", "groove", "patch", "device", "studio", "rhythm", "set-piece"];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Item_WrittenAndRead_IsTheSame(string kind)
    {
        var read = Assert.IsType<FormatResult<ShelfDocument.Named>.Read>(ShelfDocument.Read(ShelfDocument.Write("Ours", ContentOf(kind)))).Value;

        Assert.Equal(("Ours", ContentOf(kind)), (read.Name, read.Content));
        Assert.Equal(ContentOf(kind), ShelfDocument.ReadKept(ShelfDocument.WriteKept(ContentOf(kind))));
    }

    [Fact]
    public void Item_WhoseKitBreaksARule_IsRefusedByName()
    {
        var text = Encoding.UTF8.GetString(ShelfDocument.Write("Ours", ContentOf("kit"))).Replace("\"note\": 36", "\"note\": 300", StringComparison.Ordinal);

        var refused = Assert.IsType<FormatResult<ShelfDocument.Named>.Refused>(ShelfDocument.Read(Encoding.UTF8.GetBytes(text)));

        Assert.Contains("note", refused.Sentence, StringComparison.OrdinalIgnoreCase);
    }

    [Theory]
    [InlineData("{}", "not-a-document")]
    [InlineData("[", "not-a-document")]
    [InlineData("""{"format":"home-stage-template","schemaVersion":5}""", "not-a-document")]
    [InlineData("""{"format":"home-stage-shelf-item","schemaVersion":99}""", "unknown-schema")]
    [InlineData("""{"format":"home-stage-shelf-item","schemaVersion":1,"name":"","content":{"type":"groove"}}""", "not-a-document")]
    public void Item_ThatIsNone_IsRefused(string text, string code) =>
        Assert.Equal(code, Assert.IsType<FormatResult<ShelfDocument.Named>.Refused>(ShelfDocument.Read(Encoding.UTF8.GetBytes(text))).Code);

    [Fact]
    public void Item_Damaged_IsReadOrRefused_AndNeverThrows()
    {
        var whole = Kinds.Select(k => ShelfDocument.Write("Ours", ContentOf(k.Data))).ToList();
        var chance = new Random(12);
        for (var i = 0; i < Runs.Of(1000, 10_000); i++)
        {
            var bytes = whole[i % whole.Count].ToArray();
            for (var damage = 0; damage <= i % 4; damage++)
                bytes[chance.Next(bytes.Length)] = (byte)chance.Next(256);
            if (i % 3 == 0)
                bytes = bytes[..chance.Next(bytes.Length)];

            var result = ShelfDocument.Read(bytes);

            if (result is FormatResult<ShelfDocument.Named>.Read read)
                Assert.Null(read.Value.Content.Check());
        }
    }

    private static ShelfContent ContentOf(string kind) => kind switch
    {
        "kit" => new KitContent(InstrumentCatalogue.Breakwater, StandInKits.Breakwater),
        "machine" => new MachineContent([new("The rest", ChannelFormat.Stereo), new("Left", ChannelFormat.Mono)], true, JackUse.Halves),
        "groove" => new GrooveContent(Groove.Swing("Limp", 960, 0.61)),
        "device" => new DeviceContent(
            new("Slow Tide") { Maker = "Nobody", Format = "VST3", DeviceId = "a1", Preset = "Long", Outputs = [new("Front", ChannelFormat.Stereo)], Key = KeyWidth.Mono, Latency = new(64, 44100), Weight = new(0.4, null, 3), State = new(new string('a', 64), "long.state", 99), Controls = [new("depth", "Depth", Unit.Choice, 0, 1, 1) { Options = ["Low", "High"], Note = "The rear knob" }] },
            ProcessorCatalogue.Reverb, Map<double>.Empty.With("decay-s", 3).With("device.depth", 1)),
        "studio" => new StudioContent(new(new("Table", ["Front", ""], ["L", "R"], 256) { RatesHz = [48000], MonitorsDirectly = true }) { BudgetMs = 9.5, MidiDevices = ["Pad board"], Devices = [new(new("Winch"), false) { Latency = new(9, 48000), Weight = new(1) }] }),
        "rhythm" => new RhythmContent(new("Gait", 1920, [new(0, 120, 36, 99), new(961, 1, 38, 1)], []), [new(36, "Kick", "drums/kick"), new(38, "Snare", "drums")], Groove.Swing("Lilt", 960, 0.6)),
        "set-piece" => new SetPieceContent(PieceCut.Of(new RandomTemplates(7).Grown(90), [EmptyStage.MixBus])!.Value.Piece, "s"),
        _ => new PatchContent(new(InstrumentCatalogue.Undertow, "Murk", Map<double>.Empty)),
    };
}
