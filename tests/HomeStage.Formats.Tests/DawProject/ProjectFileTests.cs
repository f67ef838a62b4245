using System.Diagnostics;
using System.Xml.Linq;
using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Documents;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Formats.Tests.DawProject;

/// <summary>DAWproject 1.0 as it is written. What the format demands stands in project.xsd, from memory; the figures here are worked out by hand.</summary>
public class ProjectFileTests
{
    private const double Half = -6.020599913279624;

    [Property(MaxTest = 60)]
    public void AnyTemplate_KeepsTheSchema_AndHoldsOurOwnDocument_InTheSameBytes(int seed)
    {
        var template = new RandomTemplates(seed).Grown(70);
        byte[]? sound(string content) => [1, 2, 3];

        var opened = new Opened(template, template.Acts[0].Id, sound);

        Assert.Empty(opened.Faults());
        Assert.Equal(template, Assert.IsType<FormatResult<Template>.Read>(TemplateDocument.Read(opened.Entries[ProjectFile.OwnDocument])).Value);
        Assert.Equal(opened.Bytes, new Opened(template, template.Acts[0].Id, sound).Bytes);
        Assert.Equal(template.Channels.Select(c => c.Name).Order(), opened.Project.Descendants("Track").Select(t => (string)t.Attribute("name")!).Order());
        // Every sound that a clip names is in the file.
        Assert.All(opened.Project.Descendants("File"), f => Assert.Contains((string)f.Attribute("path")!, opened.Entries.Keys));
    }

    [Fact]
    public void Xmllint_TakesIt_ByTheSameSchema()
    {
        var file = Path.Combine(Path.GetTempPath(), $"home-stage-project-{Guid.NewGuid():N}.xml");
        try
        {
            File.WriteAllBytes(file, new Opened(new RandomTemplates(7).Grown(200), "mix").Entries["project.xml"]);
            using var run = Process.Start(new ProcessStartInfo("xmllint", ["--noout", "--nonet", "--schema", Opened.SchemaPath, file]) { RedirectStandardError = true, UseShellExecute = false })!;
            var said = run.StandardError.ReadToEnd();
            run.WaitForExit();
            Assert.True(run.ExitCode == 0, said);
        }
        finally
        {
            File.Delete(file);
        }
    }

    [Fact]
    public void Tracks_StandInsideOfWhatTheyFeed_WithRole_Fader_Pan_Sends()
    {
        var opened = new Opened(OneBar(
            Bus("pots", "mix-bus"), Tone("lid", "pots", ChannelFormat.Mono), Return("well", "mix-bus"), Tone("ladle", "pots"),
            new SetLevel(new("lid"), new(Half)), new SetPan(new("lid"), -0.5), new SetMute(new("ladle"), true), new SetLevel(new("ladle"), Core.Values.Decibels.Silence),
            new PutSend(new("lid"), new(new("well"), new(2 * Half), TapPoint.Pre)), new PutSend(new("ladle"), new(new("well"), new(-3), Open: false)),
            new SetStage(new("ladle"), "mix", StageState.InTheWings), new SetStage(new("lid"), "mix", StageState.BehindTheCurtain)));

        Assert.Equal("Structure/track.mix-bus/track.pots", string.Join('/', opened.Track("lid").Ancestors().TakeWhile(a => a.Name != "Project").Select(a => (string?)a.Attribute("id") ?? a.Name.LocalName).Reverse()));
        Assert.Equal(["submix", "regular", "effect", "master"], new[] { "pots", "lid", "well", "main" }.Select(n => (string?)opened.Channel(n).Attribute("role")));
        Assert.Equal((string?)opened.Channel("pots").Attribute("id"), (string?)opened.Channel("lid").Attribute("destination"));
        Assert.Equal("1", (string?)opened.Channel("lid").Attribute("audioChannels"));
        Assert.Equal(0.5, opened.Value("volume.lid"), 1e-9);
        Assert.Equal(0.25, opened.Value("pan.lid"), 1e-9);
        Assert.Equal((0.25, "pre"), (opened.Value("send.lid.well"), (string?)opened.ById("send.lid.well").Parent!.Attribute("type")));
        Assert.Equal((0.0, 0.0, "true"), (opened.Value("volume.ladle"), opened.Value("send.ladle.well"), (string?)opened.Channel("ladle").Element("Mute")!.Attribute("value")));
        // What is behind the curtain works, unseen; what is in the wings rests.
        Assert.Equal(["true", "false"], new[] { "lid", "ladle" }.Select(n => (string?)opened.Track(n).Attribute("loaded")));
        Assert.Equal("tracks", (string?)opened.Track("pots").Attribute("contentType"));
        // The fader's top, +6 dB, as an amplitude ratio.
        Assert.Equal(1.995262315, (double)opened.ById("volume.lid").Attribute("max")!, 1e-8);
    }

    [Fact]
    public void Strips_AreTheGenericDevices_InTheUnitsOfTheFormat()
    {
        var strip = new[]
        {
            Insert("eq", ProcessorCatalogue.Equaliser, ("low-cut", 1), ("low-cut-hz", 90), ("low-cut-slope", 1), ("bell-2-hz", 3150), ("bell-2-db", -4.5), ("bell-2-q", 2.2)),
            Insert("comp", ProcessorCatalogue.Compressor, ("threshold-db", -21), ("ratio", 4.5), ("attack-ms", 12), ("release-ms", 250), ("make-up-db", 3)) with { ParkedIn = ["mix"] },
            Insert("gate", ProcessorCatalogue.Gate, ("threshold-db", -47), ("range-db", 28)), Insert("limit", ProcessorCatalogue.Limiter, ("ceiling-db", -2), ("input-db", 5)),
            Insert("level", ProcessorCatalogue.Gain, ("gain-db", -1.5)), Insert("hall", ProcessorCatalogue.Reverb),
            Insert("tide", ProcessorCatalogue.Reverb) with { Device = new("Low Tide") { Format = "CLAP", DeviceId = "quay.low-tide", Maker = "Quay" } },
        };
        var opened = new Opened(OneBar(Tone("pail", "mix-bus", ChannelFormat.Stereo, strip)));

        var devices = opened.Channel("pail").Element("Devices")!.Elements().ToList();
        Assert.Equal(["Equalizer", "Compressor", "NoiseGate", "Limiter", "Equalizer", "ClapPlugin"], devices.Select(d => d.Name.LocalName));
        Assert.Equal(["true", "false", "true", "true", "true", "true"], devices.Select(d => (string?)d.Element("Enabled")!.Attribute("value")));
        var bands = devices[0].Elements("Band").ToList();
        Assert.Equal(["highPass", "lowShelf", "bell", "bell", "bell", "notch", "highShelf", "lowPass"], bands.Select(b => (string?)b.Attribute("type")));
        Assert.Equal(["true", "false", "false", "true", "false", "false", "false", "false"], bands.Select(b => (string?)b.Element("Enabled")!.Attribute("value")));
        Assert.Equal((4, 90.0), ((int)bands[0].Attribute("order")!, (double)bands[0].Element("Freq")!.Attribute("value")!));
        Assert.Equal((3150.0, -4.5, 2.2), ((double)bands[3].Element("Freq")!.Attribute("value")!, (double)bands[3].Element("Gain")!.Attribute("value")!, (double)bands[3].Element("Q")!.Attribute("value")!));
        Assert.Equal(
            [("Attack", 0.012, "seconds"), ("OutputGain", 3, "decibel"), ("Ratio", 4.5, "linear"), ("Release", 0.25, "seconds"), ("Threshold", -21, "decibel")],
            devices[1].Elements().Where(e => e.Attribute("unit") is not null).Select(e => (e.Name.LocalName, (double)e.Attribute("value")!, (string)e.Attribute("unit")!)));
        Assert.Equal(-28.0, opened.Value("parameter.pail.gate.range-db"));
        Assert.Equal((-2.0, 5.0), (opened.Value("parameter.pail.limit.ceiling-db"), opened.Value("parameter.pail.limit.input-db")));
        Assert.Equal(("OutputGain", -1.5), (opened.ById("parameter.pail.level.gain-db").Name.LocalName, opened.Value("parameter.pail.level.gain-db")));
        Assert.Equal(("quay.low-tide", "audioFX", "Quay"), ((string?)devices[5].Attribute("deviceID"), (string?)devices[5].Attribute("deviceRole"), (string?)devices[5].Attribute("deviceVendor")));
    }

    [Fact]
    public void Time_IsInQuarterNotes_WithMarkers_TempoAndMeterBySection_NotesAndSounds()
    {
        var rain = new MediaRef(new('a', 64), "Rain", 48000, 1, 96000);
        var template = OneBar(new MakeChannel(new(ChannelKind.Instrument) { Name = "Bell", Bare = true }), new MakeChannel(new(ChannelKind.Audio) { Name = "Roof", Bare = true })).With(
            new SetTimeline(new(120, new(4, 4), [new("A", 2), new("B", 2) { TempoBpm = 90, Meter = new(6, 8) }, new("C", 1)])),
            new PutPattern(new("bell"), new("Toll", 2 * Ticks.PerQuarter, [new(Ticks.PerQuarter / 2, Ticks.PerQuarter, 64, 127)], ["b"])),
            new PutStarter(new("roof"), new("Rain", rain, Loops: true, new(0), ["a"]) { Fit = LoopFit.Resampled, Quarters = 4 }));
        var opened = new Opened(template, "mix", _ => [9]);

        Assert.Equal([("A", 0.0), ("B", 8), ("C", 14), ("End", 18)], opened.Project.Descendants("Marker").Select(m => ((string)m.Attribute("name")!, (double)m.Attribute("time")!)));
        Assert.Equal([(0.0, 120.0), (8, 90), (14, 120)], opened.Project.Descendants("TempoAutomation").Elements("RealPoint").Select(p => ((double)p.Attribute("time")!, (double)p.Attribute("value")!)));
        Assert.Equal([(0.0, 4, 4), (8, 6, 8), (14, 4, 4)], opened.Project.Descendants("TimeSignaturePoint").Select(p => ((double)p.Attribute("time")!, (int)p.Attribute("numerator")!, (int)p.Attribute("denominator")!)));
        var toll = opened.Project.Descendants("Clip").Single(c => (string?)c.Attribute("name") == "Toll");
        Assert.Equal((8.0, 6.0), ((double)toll.Attribute("time")!, (double)toll.Attribute("duration")!));
        Assert.Equal([(0.5, 1.0, 64, 1.0), (2.5, 1, 64, 1), (4.5, 1, 64, 1)], toll.Descendants("Note").Select(n => ((double)n.Attribute("time")!, (double)n.Attribute("duration")!, (int)n.Attribute("key")!, (double)n.Attribute("vel")!)));
        var laid = opened.Project.Descendants("Clip").Single(c => (string?)c.Attribute("name") == "Rain");
        // Two seconds of sound on four quarter notes, again and again over two bars.
        Assert.Equal((0.0, 8.0, 4.0), ((double)laid.Attribute("time")!, (double)laid.Attribute("duration")!, (double)laid.Attribute("loopEnd")!));
        Assert.Equal([(0.0, 0.0), (4, 2)], laid.Descendants("Warp").Select(w => ((double)w.Attribute("time")!, (double)w.Attribute("contentTime")!)));
        Assert.Equal([9], opened.Entries[(string)laid.Descendants("File").Single().Attribute("path")!]);
    }

    [Fact]
    public void Curves_BetweenTheirPoints_AreWithinATenthOfADecibel_AndOfASemitone_OfWhatIsHeard()
    {
        var template = OneBar(Tone("fog", "mix-bus", ChannelFormat.Stereo, Insert("eq", ProcessorCatalogue.Equaliser, ("high-cut", 1)))).With(
            new SetTimeline(new(100, new(4, 4), [new("A", 2), new("B", 4), new("C", 2)])),
            new SetLevel(new("fog"), new(-3)),
            new PutShape(new("fog"), new(new LevelTarget(), "b", [new(0.25, 0), new(1, -20)])),
            new PutShape(new("fog"), new(new InsertTarget(new("eq"), "high-cut-hz"), "b", [new(0, 400), new(1, 800)])));
        var (opened, movement) = (new Opened(template), new Movement(template));

        double Gap(string id, Target target, double stored, Func<double, double> heard)
        {
            var points = opened.Project.Descendants("Points").Single(p => (string?)p.Element("Target")!.Attribute("parameter") == id).Elements("RealPoint")
                .Select(p => (Time: (double)p.Attribute("time")!, Value: (double)p.Attribute("value")!, Holds: (string?)p.Attribute("interpolation") == "hold")).ToList();
            return Enumerable.Range(0, 3200).Select(i => (i + 0.5) / 100).Max(quarter =>
            {
                var at = points.FindLastIndex(p => p.Time <= quarter);
                var value = points[at].Holds || at == points.Count - 1 ? points[at].Value
                    : points[at].Value + (points[at + 1].Value - points[at].Value) * (quarter - points[at].Time) / (points[at + 1].Time - points[at].Time);
                return Math.Abs(heard(value) - movement.At(new("fog"), target, stored, quarter * 0.6));
            });
        }

        Assert.InRange(Gap("volume.fog", new LevelTarget(), -3, v => 20 * Math.Log10(v)), 0, 0.1);
        // A tenth of a semitone at 800 Hz is 4.6 Hz.
        Assert.InRange(Gap("parameter.fog.eq.high-cut-hz", new InsertTarget(new("eq"), "high-cut-hz"), 12000, v => v), 0, 2.3);
    }

    [Fact]
    public void WhatTheFormatCannotSay_IsHandwork_InTheOrderInWhichItIsDone()
    {
        var duck = Insert("duck", ProcessorCatalogue.Compressor, ("knee-db", 4), ("hold-ms", 30)) with { Key = new(On: true, LowCutHz: 120) };
        var work = HandworkList.Of(OneBar(
            Bus("pots", "mix-bus", duck), Tone("lid", "pots", ChannelFormat.Stereo, Insert("comp", ProcessorCatalogue.Compressor)), Return("well", "mix-bus", Insert("hall", ProcessorCatalogue.Reverb, ("decay-s", 2.5))), Trigger("beat"),
            new PutFeed(new("beat"), new(new("pots"), new("duck"), new(-2))), new PutSend(new("lid"), new(new("well"), new(-12), Open: false)),
            new MakeChannel(new(ChannelKind.Audio) { Name = "Cook", Bare = true, Input = 3 })));

        Assert.Equal(
            [
                (HandworkKind.PutIn, "Tone lid: put an instrument where Key tone stood in"), (HandworkKind.PutIn, "Return well: put in reverb"), (HandworkKind.PutIn, "Trigger beat: put an instrument where Key tone stood in"),
                (HandworkKind.Patch, "Cook: takes input 3"),
                (HandworkKind.Connect, "Trigger beat: feed the key of Compressor on Bus pots at −2.0 dB, before the fader"),
                (HandworkKind.Set, "Bus pots: set the compressor: knee 4 dB, hold 30 ms, its key above 120 Hz"),
                // Its own knee as well: a device without one is hard.
                (HandworkKind.Set, "Tone lid: set the compressor: knee 6 dB"), (HandworkKind.Set, "Tone lid: closed sends to Return well open at −12.0 dB"),
            ],
            work.Select(w => (w.Kind, w.Words.Split(": decay")[0])));
        Assert.Contains("decay 2.5 s", work.Single(w => w.Words.StartsWith("Return well", StringComparison.Ordinal)).Words, StringComparison.Ordinal);
    }

    [Fact]
    public void APrintChannel_IsPatchedUntilItHoldsItsPrint()
    {
        var waiting = OneBar(Tone("lid", "mix-bus"), new AddPrintTwin(new("lid")));
        var printed = waiting.With(new PutStarter(new("lid-print"), new("Print", new(new string('a', 64), "Print", 48000, 2, 96000), Loops: false, default, []) { Through = true }));

        Assert.Equal("Tone lid print: records Tone lid", Assert.Single(HandworkList.Of(waiting), w => w.Kind == HandworkKind.Patch).Words);
        Assert.DoesNotContain(HandworkList.Of(printed), w => w.Kind == HandworkKind.Patch);
    }

    [Fact]
    public void TheSameOnManyChannels_IsOneLine_AndTwiceOnOneIsTwo()
    {
        PutSend Closed(string from, string to, double level) => new(new(from), new(new(to), new(level), Open: false));
        Insert Pressed(string id, double knee) => Insert(id, ProcessorCatalogue.Compressor, ("knee-db", knee));
        var work = HandworkList.Of(OneBar(
            Return("well", "mix-bus"), Return("shaft", "mix-bus"),
            Tone("lid", "mix-bus", ChannelFormat.Stereo, Pressed("a", 9), Pressed("b", 9)), Tone("pan", "mix-bus", ChannelFormat.Stereo, Pressed("c", 9)), Tone("pot", "mix-bus", ChannelFormat.Stereo, Pressed("d", 3)),
            Closed("lid", "well", -15), Closed("lid", "shaft", -15), Closed("pan", "well", -15), Closed("pan", "shaft", -15), Closed("pot", "well", -7), Closed("pot", "shaft", -7)));

        Assert.Equal(
            [
                "Tone lid, Tone pan: set the compressor: knee 9 dB", "Tone lid: set the compressor: knee 9 dB", "Tone lid, Tone pan: closed sends to Return shaft, Return well open at −15.0 dB",
                "Tone pot: set the compressor: knee 3 dB", "Tone pot: closed sends to Return shaft, Return well open at −7.0 dB",
            ],
            work.Where(w => w.Kind == HandworkKind.Set).Select(w => w.Words));
    }
}
