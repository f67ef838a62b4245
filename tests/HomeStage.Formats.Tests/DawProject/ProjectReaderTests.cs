using System.IO.Compression;
using System.Text;
using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.DawProject;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.DawProject;

/// <summary>DAWproject 1.0 as it is read: what we have written, and what others may write (elements from memory).</summary>
public class ProjectReaderTests
{
    private static readonly string[] Generic = [ProcessorCatalogue.Equaliser, ProcessorCatalogue.Compressor, ProcessorCatalogue.Gate, ProcessorCatalogue.Limiter, ProcessorCatalogue.Gain];

    [Fact]
    public void OurOwnDocument_IsTaken_AsLongAsNobodyHasAlteredTheProject()
    {
        var template = new RandomTemplates(11).Grown(60);
        var opened = new Opened(template, template.Acts[0].Id);

        var own = Read(opened.Bytes);
        var altered = Read(Zip(opened.Entries.Select(e => (e.Key, e.Key == "project.xml" ? Encoding.UTF8.GetBytes(Encoding.UTF8.GetString(e.Value).Replace("<Markers", "<!-- --><Markers", StringComparison.Ordinal)) : e.Value))));

        Assert.True(own.IsOwn);
        Assert.Equal(template, own.Template);
        Assert.False(altered.IsOwn);
    }

    [Property(MaxTest = 60)]
    public void WhatTheFormatHolds_ComesBack(int seed)
    {
        var was = new RandomTemplates(seed).Grown(70);
        var opened = new Opened(was, was.Acts[0].Id);

        var now = Read(Zip([("project.xml", opened.Entries["project.xml"])])).Template;

        Assert.Equal(was.Timeline.Sections.Select(s => (s.Name, s.Bars, was.Timeline.TempoOf(s), was.Timeline.MeterOf(s))), now.Timeline.Sections.Select(s => (s.Name, s.Bars, now.Timeline.TempoOf(s), now.Timeline.MeterOf(s))));
        // Names that are there twice are numbered, so channels are met by their place: a track stands where it was written.
        var order = opened.Project.Descendants("Track").Select(t => ((string)t.Attribute("id")!)["track.".Length..]).Select(id => was.Channels[new ChannelId(id)]).ToList();
        var there = order.Zip(now.Channels).ToDictionary(x => x.First.Id, x => x.Second);
        Assert.Equal(order.Count, now.Channels.Count);
        Assert.All(order, c => Assert.Equal(Said(was, c, id => id, c.Kind), Said(now, there[c.Id], id => there.First(t => t.Value.Id == id).Key, c.Kind)));
    }

    [Fact]
    public void AThousandTracks_AreReadInNoTime()
    {
        var tracks = string.Concat(Enumerable.Range(0, 998).Select(i => $"""
            <Track id="t{i}" name="Part {i} tk{i % 4}" contentType="notes audio" color="#{i * 4099 % 0xFFFFFF:x6}"><Channel id="c{i}" destination="{(i % 20 == 0 ? "m" : $"c{i / 20 * 20}")}" role="{(i % 20 == 0 ? "submix" : "regular")}">
            <Devices><Equalizer><Band type="bell"><Freq value="{100 + i}" unit="hertz"/><Gain value="3" unit="decibel"/></Band></Equalizer><Compressor><Threshold value="-20" unit="decibel"/></Compressor></Devices>
            <Sends><Send destination="r" type="post"><Volume value="0.2" unit="linear"/></Send></Sends><Volume value="0.7" unit="linear"/></Channel></Track>
            """));
        var lanes = string.Concat(Enumerable.Range(0, 998).Select(i => $"""<Lanes track="t{i}"><Clips>{string.Concat(Enumerable.Range(0, 5).Select(c => $"""<Clip time="{c * 4}" duration="4"><Notes>{string.Concat(Enumerable.Range(0, 8).Select(n => $"""<Note time="{n * 0.5}" duration="0.5" key="{40 + n}" vel="0.6"/>"""))}</Notes></Clip>"""))}</Clips></Lanes>"""));
        var file = Zip([("project.xml", Encoding.UTF8.GetBytes($"""<Project version="1.0"><Arrangement><Lanes timeUnit="beats">{lanes}</Lanes></Arrangement><Structure>{tracks}<Track id="tr" name="Hall"><Channel id="r" role="effect" destination="m"/></Track><Track name="Out"><Channel id="m" role="master"/></Track></Structure></Project>"""))]);
        var watch = System.Diagnostics.Stopwatch.StartNew();

        var read = Read(file);

        Assert.InRange(watch.Elapsed, TimeSpan.Zero, Runs.Within(2));
        Assert.Equal((1000, 948 * 40), (read.Template.Channels.Count, read.Template.Channels.Sum(c => c.Patterns.Sum(p => p.Notes.Count))));
    }

    /// <summary>A track without an output is heard by nobody; a program that writes no outputs at all means the master.</summary>
    [Theory]
    [InlineData("destination=\"m\"", ChannelKind.Trigger, ChannelKind.Audio)]
    [InlineData("", ChannelKind.Instrument, ChannelKind.Audio)]
    public void NotesThatGoNowhere_WhereOthersGoSomewhere_AreHeardByNobody(string oboe, ChannelKind pulse, ChannelKind tape)
    {
        var read = Read(Zip([("project.xml", Encoding.UTF8.GetBytes($"""
            <Project version="1.0"><Structure><Track name="Oboe" contentType="notes"><Channel id="o" {oboe}/></Track><Track name="Heartbeat" contentType="notes"><Channel id="h"/></Track>
              <Track name="Rain" contentType="audio"><Channel id="r"/></Track><Track name="Out"><Channel id="m" role="master"/></Track></Structure></Project>
            """))]));

        Assert.Equal([ChannelKind.Instrument, pulse, tape], ((string[])["Oboe", "Heartbeat", "Rain"]).Select(n => read.Template.Channels.Single(c => c.Name == n).Kind));
        Assert.All(read.Template.Channels.Where(c => c.Kind is ChannelKind.Instrument or ChannelKind.Audio), c => Assert.Equal(EmptyStage.Main, c.Destination));
    }

    [Fact]
    public void WhatATrackHeld_IsCountedOnItsChannel()
    {
        var read = Read(Zip([("project.xml", Encoding.UTF8.GetBytes("""
            <Project version="1.0"><Arrangement><Lanes timeUnit="beats">
              <Lanes track="a"><Clips><Clip time="0" duration="4"><Clips><Clip time="0" duration="2"><Audio><File path="1.wav"/></Audio></Clip><Clip time="2" duration="2"><Warps><Audio><File path="2.wav"/></Audio></Warps></Clip></Clips></Clip></Clips><Points><Target parameter="x"/></Points></Lanes>
              <Lanes track="b"><Points><Target parameter="y"/></Points><Lanes><Points><Target parameter="z"/></Points></Lanes></Lanes>
              <Lanes track="nobody"><Clips><Clip time="0" duration="4"><Audio><File path="3.wav"/></Audio></Clip></Clips></Lanes></Lanes></Arrangement>
              <Structure><Track id="a" name="Oboe" contentType="audio"><Channel id="ca"/></Track><Track id="b" name="Lute" contentType="audio"><Channel id="cb"/></Track></Structure></Project>
            """))]));

        Assert.Equal([(new ChannelId("oboe"), 2, 1), (new ChannelId("lute"), 0, 2)], read.Held.Select(h => (h.Channel, h.Clips, h.Curves)));
        Assert.Contains("3 clips of sound.", read.LeftOut);
    }

    [Fact]
    public void ABusOfAnyColour_IsTaken_TheAmberThatIsKeptAsTheNearestBesideIt()
    {
        string[] parts = ["00", "33", "66", "99", "cc", "ff"];
        var colours = (from r in parts from g in parts from b in parts select $"#{r}{g}{b}").ToList();
        var tracks = string.Concat(colours.Select((c, i) => $"""<Track id="t{i}" name="Bus {i}" color="{c}"><Channel id="c{i}" role="submix" destination="m"/></Track>"""));
        var read = Read(Zip([("project.xml", Encoding.UTF8.GetBytes($"""<Project version="1.0"><Structure>{tracks}<Track name="Out"><Channel id="m" role="master"/></Track></Structure></Project>"""))]));

        var amber = read.Template.Channels.Single(c => c.Name == $"Bus {colours.IndexOf("#996633")}");
        // In Oklab this brown lies at 65 degrees (from memory); the amber is kept from 61 to 91.
        Assert.Equal(61, amber.HueDegrees);
        Assert.Equal(colours.Count, read.Template.Channels.Count(c => c.Kind == ChannelKind.Bus));
    }

    [Fact]
    public void AnOrderOfItsOwn_AndUnknownElements_AreTaken_AndWhatIsLeftOutIsSaid()
    {
        var read = Read(Zip([("project.xml", Encoding.UTF8.GetBytes("""
            <Project version="1.0" flavour="x">
              <Arrangement><Markers><Marker time="8" name="Refrain"/><Marker time="0" name="Verse"/></Markers>
                <Lanes timeUnit="beats"><Lanes track="t1"><Clips><Clip time="8" duration="4" name="Riff" loopStart="0" loopEnd="2"><Notes><Note time="0.5" duration="1" key="40" vel="0.5"/></Notes></Clip></Clips></Lanes>
                <Lanes track="t2"><Clips><Clip time="0" duration="16"><Audio channels="1" duration="3" sampleRate="44100"><File path="a.wav"/></Audio></Clip></Clips></Lanes></Lanes></Arrangement>
              <Weather>fair</Weather>
              <Structure>
                <Track id="m" name="Out"><Channel id="cm" role="master" audioChannels="2"><Volume value="1" unit="linear"/></Channel></Track>
                <Track id="g" name="Rhythm" contentType="tracks" color="#2255cc"><Channel id="cg" role="regular" destination="cm"/>
                  <Track id="t2" name="Cajon close tk3" contentType="audio"><Channel destination="cg" audioChannels="1" id="c2"><Sends><Send destination="cr" type="post"><Volume value="0.25" unit="linear"/></Send></Sends><Volume unit="decibel" value="-7.25"/><Pan unit="normalized" value="1"/><Mute value="true"/></Channel></Track>
                  <Track id="t1" name="Tuba bass" contentType="notes" loaded="false"><Channel destination="cg" id="c1"><Devices>
                    <Vst3Plugin deviceName="Brass Hall" deviceID="abc" deviceRole="instrument"><State path="x"/></Vst3Plugin>
                    <Compressor deviceName="C" deviceRole="audioFX"><Threshold unit="decibel" value="-99"/><Attack unit="seconds" value="0.02"/><Enabled value="false"/></Compressor>
                    <Toaster deviceRole="audioFX" deviceName="Crisp"/></Devices></Channel></Track></Track>
                <Track id="r" name="Cellar" contentType="audio"><Channel id="cr" role="effect" destination="cm"/></Track>
              </Structure>
              <Transport><TimeSignature numerator="4" denominator="4"/><Tempo value="133.5" unit="bpm"/></Transport>
            </Project>
            """))]));

        var (tuba, cajon) = (read.Template.Channels[new ChannelId("tuba-bass")], read.Template.Channels[new ChannelId("cajon-close-tk3")]);
        Assert.Equal((133.5, "Verse 2, Refrain 2"), (read.Template.Timeline.TempoBpm, string.Join(", ", read.Template.Timeline.Sections.Select(s => $"{s.Name} {s.Bars}"))));
        Assert.Equal([("main", ChannelKind.Main), ("rhythm", ChannelKind.Bus), ("cajon-close-tk3", ChannelKind.Audio), ("tuba-bass", ChannelKind.Instrument), ("cellar", ChannelKind.Return)], read.Template.Channels.Select(c => (c.Id.Value, c.Kind)));
        Assert.Equal((-7.25, 1.0, true, ChannelFormat.Mono, "rhythm"), (cajon.Level.Value, cajon.Pan, cajon.Muted, cajon.Format, cajon.Destination!.Value.Value));
        // A quarter of the amplitude is 12.041 dB down.
        Assert.Equal(new Send(new("cellar"), new(-12.041)), Assert.Single(cajon.Sends));
        Assert.Equal(new OutsideDevice("Brass Hall") { Format = "VST3", DeviceId = "abc" }, ((InstrumentSource)tuba.Source!).Device);
        var comp = Assert.Single(tuba.Inserts);
        Assert.Equal((ProcessorCatalogue.Compressor, true, -60.0, 20.0), (comp.Processor, comp.Off, comp.Settings["threshold-db"], comp.Settings["attack-ms"]));
        Assert.Equal(StageState.InTheWings, tuba.StageIn("mix"));
        var riff = Assert.Single(tuba.Patterns);
        Assert.Equal(("Riff", "refrain"), (riff.Name, riff.Sections.Single()));
        Assert.Equal([(0.5, 64), (2.5, 64)], riff.Notes.Select(n => (n.StartTick / (double)Ticks.PerQuarter, n.Velocity)));
        Assert.Contains(read.LeftOut, w => w.Contains("Crisp", StringComparison.Ordinal));
        Assert.Contains("1 clip of sound.", read.LeftOut);
        Assert.Contains("1 state of plug-ins that is not in the file.", read.LeftOut);
    }

    [Theory]
    [InlineData("<Project>", "damaged", "not whole XML")]
    [InlineData("<!DOCTYPE p [<!ENTITY a 'b'>]><Project>&a;</Project>", "damaged", "not whole XML")]
    [InlineData("<Song/>", "no-project", "begins with Song")]
    public void WhatIsNoProject_IsRefusedWithASentence(string xml, string code, string words)
    {
        var refused = Assert.IsType<FormatResult<ReadProject>.Refused>(ProjectReader.Read(Zip([("project.xml", Encoding.UTF8.GetBytes(xml))]), "X"));
        Assert.Equal(code, refused.Code);
        Assert.Contains(words, refused.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void Bombs_AreRefusedSoon()
    {
        var deep = Encoding.UTF8.GetBytes($"<Project>{string.Concat(Enumerable.Repeat("<Track>", 100_000))}{string.Concat(Enumerable.Repeat("</Track>", 100_000))}</Project>");
        var long_ = new byte[64 * 1024 * 1024];
        var crowded = Encoding.UTF8.GetBytes($"<Project><Structure>{string.Concat(Enumerable.Range(0, 200_000).Select(i => "<Track contentType=\"notes\"/>"))}</Structure></Project>");
        var looped = Encoding.UTF8.GetBytes($"<Project><Arrangement><Lanes><Lanes track=\"t\"><Clips><Clip time=\"0\" duration=\"1e9\" loopEnd=\"1e-6\"><Notes><Note time=\"0\" duration=\"1\" key=\"1\"/></Notes></Clip></Clips></Lanes></Lanes></Arrangement><Structure><Track id=\"t\" contentType=\"notes\" name=\"a\"/></Structure></Project>");

        Assert.All(new[] { deep, long_, crowded, looped }, xml => Assert.IsType<FormatResult<ReadProject>.Refused>(ProjectReader.Read(Zip([("project.xml", xml)]), "X")));
        Assert.IsType<FormatResult<ReadProject>.Refused>(ProjectReader.Read([1, 2, 3], "X"));
    }

    [Property(MaxTest = 120)]
    public void DamagedFiles_AreReadOrRefused(int seed)
    {
        var random = new Random(seed);
        var grown = new RandomTemplates(seed).Grown(25);
        var opened = new Opened(grown, grown.Acts[0].Id);
        var xml = opened.Entries["project.xml"].ToArray();
        for (var hit = 0; hit < 1 + random.Next(6); hit++)
            xml[random.Next(xml.Length)] = (byte)random.Next(32, 127);

        var result = ProjectReader.Read(Zip([("project.xml", xml)]), "X");

        // What is read keeps every rule; whatever else is a sentence.
        result.Match(read => Assert.IsType<ReadProject>(read).Template.Channels.Count, refused => refused.Sentence.Length);
        if (result is FormatResult<ReadProject>.Read { Value.Template: var template })
            Assert.Null(Core.Editing.Rules.TemplateRules.Check(template));
    }

    /// <summary>What the format can say of a channel, as one can compare it.</summary>
    /// <param name="was">What it was: where something goes that goes to no bus, the format does not say.</param>
    private static string Said(Template template, Channel channel, Func<ChannelId, ChannelId> known, ChannelKind was) => string.Join('\n',
        was is ChannelKind.Direct ? "" : was is ChannelKind.Trigger ? $"{channel.Kind}" : $"{(channel.Kind == ChannelKind.Split ? ChannelKind.Audio : channel.Kind)} under {(channel.Destination is { } to ? known(to) : "nothing")}",
        channel.Kind == ChannelKind.Notes ? "" : $"{Math.Round(channel.Level.Value, 2):0.00} dB, {Math.Round(channel.Pan, 3):0.000}, {channel.Muted}, {channel.Format}",
        string.Join(", ", channel.Sends.Select(s => $"{known(s.To)} {s.Tap} {(s.Open && s.Level.Value > -100 ? $"{Math.Round(s.Level.Value, 2):0.00}" : "closed")}").Order(StringComparer.Ordinal)),
        string.Join("; ", channel.Inserts.Where(i => channel.Kind != ChannelKind.Notes).Where(i => i.Device is null && Generic.Contains(i.Processor)).Select(i => $"{i.Processor} {Settings(i)}")),
        string.Join(", ", new TimeMap(template.Timeline).Lay(channel.Kind is ChannelKind.Audio or ChannelKind.Bus ? [] : channel.Patterns)
            .Select(n => new Core.Notes.TimedNote(n.StartTick, n.LengthTicks, n.Number, n.Velocity)).Select(n => template.Grooves.FirstOrDefault(g => g.Name == channel.Groove)?.Felt(n) ?? n)
            .Where(n => n.StartTick >= 0).OrderBy(n => n.StartTick).ThenBy(n => n.Number).ThenBy(n => n.Velocity).Select(n => $"{n.StartTick}:{n.Number}:{n.Velocity}")));

    private static string Settings(Insert insert) => string.Join(", ", insert.Kind().Parameters
        .Where(p => Generic.Contains(insert.Processor) && p.Id is not ("knee-db" or "hold-ms" or "detector" or "mix-percent" or "look-ahead-ms" or "part" or "oversampled"))
        // A switch is on from a half up.
        .Select(p => (p.Id, Value: p.Unit is Core.Controls.Unit.Switch or Core.Controls.Unit.Choice ? (p.In(insert.Settings) >= 0.5 ? 1 : 0) : p.In(insert.Settings)))
        .Select(p => FormattableString.Invariant($"{p.Id} {Math.Round(p.Value, 2):0.##}")));

    private static ReadProject Read(byte[] file)
    {
        var result = ProjectReader.Read(file, "Brought");
        return result is FormatResult<ReadProject>.Read { Value: var read } ? read : throw new InvalidOperationException(((FormatResult<ReadProject>.Refused)result).Sentence);
    }

    private static byte[] Zip(IEnumerable<(string Name, byte[] Bytes)> files)
    {
        using var memory = new MemoryStream();
        using (var zip = new ZipArchive(memory, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, bytes) in files)
            {
                using var stream = zip.CreateEntry(name).Open();
                stream.Write(bytes);
            }

        return memory.ToArray();
    }
}
