using System.IO.Compression;
using System.Text;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Wave;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.DawProject;

/// <summary>Clips of sound as starters, wherever they begin and whatever of their file they play; what cannot be said stays behind, and is counted.</summary>
public sealed class ReadSoundsTests
{
    [Fact]
    public void AClipThatBeginsWithASection_IsAStarterThere_WhetherItLoopsIsWarpedOrRunsOn()
    {
        var read = Read("""
            <Clip name="Groove" time="8" duration="8" loopStart="0" loopEnd="4"><Warps contentTimeUnit="seconds"><Audio><File path="audio/two.wav"/></Audio><Warp time="0" contentTime="0"/><Warp time="4" contentTime="2"/></Warps></Clip>
            <Clip name="Pulled" time="0" duration="8"><Warps><Audio><File path="audio/two.wav"/></Audio><Warp time="0" contentTime="0"/><Warp time="6" contentTime="2"/></Warps></Clip>
            <Clip time="16" duration="40"><Audio><File path="audio/long.wav"/></Audio></Clip>
            <Clip name="Groove" time="0" duration="8" loopStart="0" loopEnd="4"><Warps><Audio><File path="audio/two.wav"/></Audio><Warp time="0" contentTime="0"/><Warp time="4" contentTime="2"/></Warps></Clip>
            """);

        var starters = read.Template.Channels.Single(c => c.Name == "Zither").Starters;
        Assert.Equal(
            [("Groove", "b, a", true, LoopFit.AsRecorded, 4, false), ("Pulled", "a", false, LoopFit.Resampled, 6, false), ("long", "c", false, LoopFit.AsRecorded, 4, true)],
            starters.Select(s => (s.Name, string.Join(", ", s.Sections), s.Loops, s.Fit, s.Quarters, s.Through)));
        Assert.Equal(["two", "long"], read.Sounds.Select(s => s.Title));
        Assert.All(starters, s => Assert.Contains(read.Sounds, f => ProjectReader.Mark(f.File) == s.Sound.Content));
        Assert.Empty(read.Held);
    }

    [Fact]
    public void WhatIsOffWarpedOrNotThere_StaysBehind_AndIsCounted()
    {
        var read = Read("""
            <Clip time="9" duration="4" loopStart="0" loopEnd="2"><Audio><File path="audio/two.wav"/></Audio></Clip>
            <Clip time="8" duration="4" playStart="9"><Audio><File path="audio/two.wav"/></Audio></Clip>
            <Clip time="8" duration="4" enable="false"><Audio><File path="audio/two.wav"/></Audio></Clip>
            <Clip time="8" duration="4"><Audio><File path="audio/nobody.wav"/></Audio></Clip>
            <Clip time="8" duration="4"><Audio><File path="../../../etc/hosts"/></Audio></Clip>
            <Clip time="8" duration="4"><Audio><File path="audio/torn.wav"/></Audio></Clip>
            <Clip time="8" duration="4"><Audio><File path="audio/two.wav" external="true"/></Audio></Clip>
            <Clip time="8" duration="4"><Warps><Audio><File path="audio/two.wav"/></Audio><Warp time="0" contentTime="0"/><Warp time="3.3" contentTime="2"/></Warps></Clip>
            """);

        Assert.Empty(read.Template.Channels.Single(c => c.Name == "Zither").Starters);
        Assert.Equal(8, read.Held.Single().Clips);
        Assert.Contains("8 clips of sound.", read.LeftOut);
        Assert.Empty(read.Sounds);
    }

    /// <summary>Tempo 120 to the eighth quarter, then 90: a clip is heard where the format says, by its own tempo map, and no longer.</summary>
    [Theory]
    [InlineData("""<Clip time="2.5" duration="3"><Audio><File path="audio/ramp.wav"/></Audio></Clip>""", 1.25, 0, 1.5)]
    [InlineData("""<Clip time="0" duration="2"><Audio><File path="audio/ramp.wav"/></Audio></Clip>""", 0, 0, 1)]
    [InlineData("""<Clip time="3" duration="2" playStart="1"><Audio><File path="audio/ramp.wav"/></Audio></Clip>""", 1.5, 0.5, 1)]
    [InlineData("""<Clip time="3" duration="3" playStart="-1"><Audio><File path="audio/ramp.wav"/></Audio></Clip>""", 2, 0, 1)]
    [InlineData("""<Clip time="9" duration="99"><Audio><File path="audio/ramp.wav"/></Audio></Clip>""", 4 + 2 / 3.0, 0, 3)]
    [InlineData("""<Clip time="6" duration="5"><Audio><File path="audio/ramp.wav"/></Audio></Clip>""", 3, 0, 3)]
    [InlineData("""<Clip time="4" duration="3"><Clips><Clip time="1" duration="9" playStart="1"><Audio><File path="audio/ramp.wav"/></Audio></Clip></Clips></Clip>""", 2.5, 0.5, 1)]
    [InlineData("""<Clip time="4" duration="3" playStart="2"><Clips><Clip time="1" duration="9"><Audio><File path="audio/ramp.wav"/></Audio></Clip></Clips></Clip>""", 2, 0.5, 1.5)]
    public void AClipAnywhere_IsHeardWhereTheFormatSays(string clip, double start, double from, double seconds)
    {
        // Three seconds in which each sample says where it is.
        var ramp = Enumerable.Range(0, 3 * 48000).Select(i => (i + 1) / (4f * 48000)).ToArray();
        var read = Read(clip, ("audio/ramp.wav", PlainWave.Of(new MediaSound([ramp, ramp], 48000))), """<TempoAutomation unit="bpm"><Target parameter="t"/><RealPoint time="0" value="120"/><RealPoint time="8" value="90"/></TempoAutomation>""");
        var shelf = new Shelf(read.Sounds.ToDictionary(s => ProjectReader.Mark(s.File), s => ((FormatResult<MediaSound>.Read)WaveReader.Read(s.File)).Value));

        var heard = Renderer.Render(read.Template, new(read.Template.FinalAct.Id, read.Template.Channels.Single(c => c.Name == "Zither").Id), shelf: shelf).Left;

        int frame(double at) => (int)Math.Round(at * 48000);
        Assert.All(Enumerable.Range(0, Math.Max(0, frame(start) - 1)), i => Assert.Equal(0, heard[i]));
        // What the end of a section cuts off fades within its last 5 ms.
        Assert.All(Enumerable.Range(0, frame(seconds - 0.006)), i => Assert.Equal(ramp[frame(from) + i], heard[frame(start) + i], 1e-6));
        Assert.All(Enumerable.Range(frame(start + seconds) + 1, heard.Length - frame(start + seconds) - 1), i => Assert.Equal(0, heard[i]));
    }

    [Fact]
    public void ClipsBeyondAllMeasure_StayBehind_SoonAndWithoutTheirRoom()
    {
        var many = string.Concat(Enumerable.Range(0, 20_000).Select(i => FormattableString.Invariant($"""<Clip time="{100 + i}.5" duration="1"><Audio><File path="audio/long.wav"/></Audio></Clip>""")));
        var before = GC.GetTotalAllocatedBytes();

        var read = Read("""<Clip time="1e18" duration="1e17"><Audio><File path="audio/two.wav"/></Audio></Clip><Clip time="1e300" duration="1"><Audio><File path="audio/two.wav"/></Audio></Clip><Clip time="1" duration="1" playStart="1e300"><Audio><File path="audio/two.wav"/></Audio></Clip><Clip time="1" duration="1" playStart="-1e300"><Audio><File path="audio/two.wav"/></Audio></Clip>""" + many);

        Assert.InRange(read.Template.Channels.Single(c => c.Name == "Zither").Starters.Count, 1, AudioStarter.MostOnAChannel);
        Assert.InRange(read.Held.Single().Clips, 20_000 - AudioStarter.MostOnAChannel, 20_004);
        Assert.InRange(GC.GetTotalAllocatedBytes() - before, 0, 4L << 30);
    }

    [Fact]
    public void ACutSound_HasTheBitsOfItsFile_AndFadesAreSaid()
    {
        var bits = PlainWave.Of(1, 44100, 24, isFloat: false, [.. Enumerable.Range(0, 44100 * 3).Select(i => (byte)(i % 253))], swaps: false);

        var read = Read("""<Clip time="1" duration="1" fadeInTime="0.25"><Audio><File path="audio/bits.wav"/></Audio></Clip>""", ("audio/bits.wav", bits));

        // Half a second of silence, then half a second as it is, of three bytes a frame behind 44 of header.
        var cut = read.Sounds.Single().File;
        Assert.Equal(44 + 2 * 22050 * 3, cut.Length);
        Assert.All(cut[44..(44 + 22050 * 3)], b => Assert.Equal(0, b));
        Assert.Equal(bits[44..(44 + 22050 * 3)], cut[(44 + 22050 * 3)..]);
        Assert.Contains("Fades of 1 clip of sound.", read.LeftOut);
    }

    private sealed class Shelf(Dictionary<string, MediaSound> sounds) : IMediaShelf
    {
        public MediaSound? Find(string content) => sounds.GetValueOrDefault(content);
    }

    [Fact]
    public void StartersOfOurs_ComeBack_WithTheirFiles()
    {
        var laid = 0;
        for (var seed = 0; seed < Runs.Of(80, 1000); seed++)
        {
            var files = new Dictionary<string, byte[]>();
            var was = WithRealSounds(new RandomTemplates(seed).Grown(90), files);
            var opened = new Opened(was, was.Acts[0].Id, content => files.GetValueOrDefault(content));
            var now = ReadFile([.. opened.Entries.Where(e => e.Key == "project.xml" || e.Key.StartsWith("audio/", StringComparison.Ordinal))]);
            var order = opened.Project.Descendants("Track").Select(t => was.Channels[new ChannelId(((string)t.Attribute("id")!)["track.".Length..])]).ToList();
            foreach (var (channel, back) in order.Zip(now.Template.Channels))
            {
                laid += channel.Starters.Count;
                Assert.Equal(Heard(channel, was.Timeline, was.Timeline).Order(), Heard(back, now.Template.Timeline, was.Timeline).Order());
            }
        }

        Assert.True(laid > Runs.Of(80, 1000) / 8, $"Only {laid} were laid.");
    }

    /// <summary>What sounds from each section on, and how fast.</summary>
    private static IEnumerable<string> Heard(Channel channel, Timeline timeline, Timeline named) =>
        (from starter in channel.Starters
         let sections = timeline.Sections.Where(s => starter.Sections.Count == 0 || starter.Sections.Contains(s.Id)).ToList()
         from section in starter.Through ? sections.Take(1) : sections
         let asRecorded = starter.Sound.Seconds * timeline.TempoOf(section) / 60
         let quarters = starter.Fit == LoopFit.AsRecorded ? asRecorded : starter.Quarters
         let length = timeline.TicksOf(section) / (double)Ticks.PerQuarter
         // What is longer than its section sounds the same whether it loops or not; what is warped by nothing is as it was recorded.
         let loops = starter.Loops && !starter.Through && quarters < length
         let through = starter.Through && quarters > length + 1e-3
         select FormattableString.Invariant($"{named.Sections[timeline.Sections.IndexWhere(s => s == section)].Name}: {starter.Sound.Content[..8]} {loops} {through} {quarters:0.00}")).Distinct();

    private static Template WithRealSounds(Template template, Dictionary<string, byte[]> files)
    {
        var chance = new Random(template.Channels.Count);
        MediaRef Real()
        {
            var (lanes, frames, step) = (chance.Next(1, 3), 12000 * chance.Next(1, 9), chance.Next(1, 200));
            var file = PlainWave.Of(lanes, 48000, 16, isFloat: false, [.. Enumerable.Range(0, frames * lanes * 2).Select(i => (byte)(i * step % 251))], swaps: false);
            files[ProjectReader.Mark(file)] = file;
            return new(ProjectReader.Mark(file), $"Sound {step}", 48000, lanes, frames);
        }

        AudioStarter Laid(int n) => new($"Laid {n}", Real(), chance.Next(2) == 0, new(0), [.. template.Timeline.Sections.Where(_ => chance.Next(2) == 0).Select(s => s.Id)])
        {
            Fit = (LoopFit)chance.Next(3),
            Quarters = chance.Next(1, 12),
            Through = chance.Next(4) == 0,
        };
        return template with
        {
            Channels = ChannelList.From(template.Channels.Select(c => c.Kind == ChannelKind.Audio
                ? c with { Starters = Enumerable.Range(0, chance.Next(0, 3)).Select(Laid).Select(s => s.Through ? s with { Fit = LoopFit.AsRecorded } : s).ToSequence() } : c with { Starters = [] })),
        };
    }

    private static ReadProject Read(string clips, (string Name, byte[] File)? more = null, string tempo = "") => ReadFile(
    [
        new("project.xml", Encoding.UTF8.GetBytes($"""
        <Project version="1.0"><Transport><Tempo value="120" unit="bpm"/></Transport>
          <Arrangement><Lanes timeUnit="beats"><Lanes track="a"><Clips>{clips}</Clips></Lanes></Lanes>{tempo}
            <Markers><Marker time="0" name="A"/><Marker time="8" name="B"/><Marker time="16" name="C"/><Marker time="32" name="End"/></Markers></Arrangement>
          <Structure><Track id="a" name="Zither" contentType="audio"><Channel id="ca" destination="cm"/></Track><Track id="m" name="Out"><Channel id="cm" role="master"/></Track></Structure></Project>
        """)),
        new("audio/two.wav", PlainWave.Of(new MediaSound([new float[96000]], 48000))), new("audio/long.wav", PlainWave.Of(new MediaSound([new float[20 * 44100], new float[20 * 44100]], 44100))), new("audio/torn.wav", "RIFF"u8.ToArray()),
        .. more is var (name, file) ? new KeyValuePair<string, byte[]>[] { new(name, file) } : [],
    ]);

    private static ReadProject ReadFile(IReadOnlyList<KeyValuePair<string, byte[]>> entries)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, bytes) in entries)
                using (var entry = zip.CreateEntry(name).Open())
                    entry.Write(bytes);
        return ((FormatResult<ReadProject>.Read)ProjectReader.Read(stream.ToArray(), "Sounds")).Value;
    }
}
