using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Formats.DawProject;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Formats.Tests.DawProject;

/// <summary>States of plug-ins go through untouched, both ways.</summary>
public sealed class ReadStatesTests
{
    private static readonly byte[] Patch = [.. Enumerable.Range(0, 5000).Select(i => (byte)(i * 31 % 256))];
    private static readonly DeviceState State = new(Convert.ToHexStringLower(SHA256.HashData(Patch)), "Rusty Vault.vstpreset", Patch.Length);

    private static readonly Template Song = OneBar(
        Tone("reed", "mix-bus", ChannelFormat.Stereo, new Insert(new("vault"), ProcessorCatalogue.Through) { Device = new OutsideDevice("Rusty Vault") { Format = "VST3", DeviceId = "rv-1", State = State } }),
        new SetSource(new("reed"), new InstrumentSource(InstrumentCatalogue.Reedbox) { Device = new OutsideDevice("Pump Organ") { Format = "CLAP", DeviceId = "po-2", State = State } }));

    [Fact]
    public void AState_LiesInTheFileOnce_AndBothDevicesReferToIt_ByTheSchema()
    {
        var opened = new Opened(Song, "mix", content => content == State.Content ? Patch : null);

        Assert.Empty(opened.Faults());
        var paths = opened.Project.Descendants("State").Select(s => (string)s.Attribute("path")!).ToList();
        Assert.Equal(2, paths.Count);
        Assert.Equal(Patch, opened.Entries[Assert.Single(paths.Distinct())]);
        Assert.Empty(new Opened(Song, "mix").Project.Descendants("State"));
    }

    [Fact]
    public void AProjectThatWasAltered_BringsItsStatesAlong()
    {
        var opened = new Opened(Song, "mix", content => content == State.Content ? Patch : null);

        var read = ReadFile([.. opened.Entries.Where(e => !e.Key.StartsWith("home-stage/", StringComparison.Ordinal))]);

        var reed = read.Template.Channels.Single(c => c.Name == "Tone reed");
        Assert.Equal((State.Content, Patch.Length), (reed.Inserts.Single().Device!.State!.Content, reed.Inserts.Single().Device!.State!.Bytes));
        Assert.Equal(State.Content, ((InstrumentSource)reed.Source!).Device!.State!.Content);
        AssertPatch("rusty-vault.vstpreset", read);
        Assert.DoesNotContain(read.LeftOut, w => w.Contains("plug-ins", StringComparison.Ordinal));
    }

    [Fact]
    public void OurOwnDocument_BringsThemAlongToo_WithTheirNames()
    {
        var opened = new Opened(Song, "mix", content => content == State.Content ? Patch : null);

        var read = ReadFile([.. opened.Entries]);

        Assert.True(read.IsOwn);
        AssertPatch("Rusty Vault.vstpreset", read);
    }

    [Theory]
    [InlineData("""<State path="plugins/none.vstpreset"/>""")]
    [InlineData("""<State path="../../secret"/>""")]
    [InlineData("""<State path="plugins/empty"/>""")]
    [InlineData("""<State path="plugins/there" external="true"/>""")]
    [InlineData("""<State/>""")]
    public void AStateThatIsNotThere_IsSaid(string state)
    {
        var read = ReadFile(
        [
            new("project.xml", Encoding.UTF8.GetBytes($"""<Project version="1.0"><Structure><Track id="a" name="Rebec" contentType="audio"><Channel id="c"><Devices><Vst3Plugin deviceName="Murk" deviceID="m" deviceRole="audioFX">{state}</Vst3Plugin></Devices></Channel></Track></Structure></Project>""")),
            new("plugins/empty", []), new("plugins/there", [1, 2, 3]),
        ]);

        Assert.Null(read.Template.Channels.Single(c => c.Name == "Rebec").Inserts.Single().Device!.State);
        Assert.Contains("1 state of plug-ins that is not in the file.", read.LeftOut);
        Assert.Empty(read.States);
    }

    private static void AssertPatch(string name, ReadProject read)
    {
        var (fileName, file) = Assert.Single(read.States);
        Assert.Equal(name, fileName);
        Assert.Equal(Patch, file);
    }

    private static ReadProject ReadFile(IReadOnlyList<KeyValuePair<string, byte[]>> entries)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, bytes) in entries)
                using (var entry = zip.CreateEntry(name).Open())
                    entry.Write(bytes);
        return ((FormatResult<ReadProject>.Read)ProjectReader.Read(stream.ToArray(), "States")).Value;
    }
}
