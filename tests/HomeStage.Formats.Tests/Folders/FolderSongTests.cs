using HomeStage.Core.Catalogue;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Folders;
using HomeStage.Formats.Midi;
using HomeStage.TestKit;
using NAudio.Midi;

namespace HomeStage.Formats.Tests.Folders;

/// <summary>Folders as workstations write them, MIDI files made by a library of its own, and templates of ours there and back.</summary>
public sealed class FolderSongTests
{
    [Fact]
    public void AMidiFile_BecomesSectionsWithTheirTempoAndMeter_AndAnInstrumentForEachPart()
    {
        var song = Read(Midi(
            [new TempoEvent(500_000, 0), new TimeSignatureEvent(0, 4, 2, 24, 8), Marker("Verse", 0), Marker("Refrain", 8 * 480), new TempoEvent(400_000, 8 * 480), new TimeSignatureEvent(8 * 480, 6, 3, 36, 8)],
            Track("Growl bass", 3, (0, 40), (8 * 480, 43)), Track("Beats", 10, (240, 36)))).Template;

        Assert.Equal((120.0, new Meter(4, 4)), (song.Timeline.TempoBpm, song.Timeline.Meter));
        Assert.Equal([new Section("verse", "Verse", 2), new Section("refrain", "Refrain", 1, 150, new(6, 8))], song.Timeline.Sections);
        var bass = song.Channels.Single(c => c.Name == "Growl bass");
        Assert.Equal(InstrumentCatalogue.Undertow, ((InstrumentSource)bass.Source!).Instrument);
        Assert.Equal(EmptyStage.MixBus, bass.Destination);
        Assert.Equal([0L, 8 * 960], new TimeMap(song.Timeline).Lay(bass.Patterns).Select(n => n.StartTick));
        // The tenth MIDI channel is the drums', whatever the track is called (General MIDI, from memory).
        Assert.NotNull(((InstrumentSource)song.Channels.Single(c => c.Name == "Beats").Source!).Kit);
    }

    [Fact]
    public void Sounds_LieOnAudioChannels_FromTheStartThroughToTheirEnd()
    {
        var read = Read(Midi([new TempoEvent(500_000, 0)], Track("Keys", 1, (0, 60))), ("Low Tide - 02 Fiddle close.wav", Sound(30, 2)), ("low tide_Voice.WAV", Sound(4, 1)));
        var song = read.Template;

        var (fiddle, voice) = (song.Channels.Single(c => c.Name == "Fiddle close"), song.Channels.Single(c => c.Name == "Voice"));
        Assert.Equal((ChannelKind.Audio, ChannelFormat.Stereo, ChannelFormat.Mono), (fiddle.Kind, fiddle.Format, voice.Format));
        var starter = Assert.Single(fiddle.Starters);
        Assert.Equal((true, false, LoopFit.AsRecorded), (starter.Through, starter.Loops, starter.Fit));
        // Thirty seconds at 120 are sixty quarters, fifteen bars.
        Assert.Equal(15, Assert.Single(song.Timeline.Sections).Bars);
    }

    [Fact]
    public void ASongIsAsLongAsItsSounds_ByEveryTempoOnTheWay()
    {
        // Sixteen quarters at 120 are eight seconds; the other twelve at 60 are twelve quarters: seven bars.
        var read = Read(Midi([new TempoEvent(500_000, 0), new TempoEvent(1_000_000, 16 * 480)]), ("Organ.wav", Sound(20, 1)));

        Assert.Equal(7, Assert.Single(read.Template.Timeline.Sections).Bars);
        Assert.Contains(read.LeftOut, w => w.Contains("tempo that changes within a section", StringComparison.Ordinal));
    }

    [Fact]
    public void ANamelessPart_IsCalledAfterItsTrack_AndTheDrumsAreDrums()
    {
        var song = Read(Midi([], Track("", 4, (0, 60)), Track("", 10, (0, 36)))).Template;

        Assert.Equal(["Track 2", "Drums"], song.Channels.Where(c => c.Kind == ChannelKind.Instrument).Select(c => c.Name));
    }

    [Fact]
    public void ASoundThatIsCalledAsAPart_IsItsPrint_AndThePartWaitsMuted()
    {
        var read = Read(Midi([new TempoEvent(500_000, 0)], Track("Organ", 1, (0, 60)), Track("Bells", 2, (0, 72))), ("03 Organ.wav", Sound(2, 2)));

        Assert.Equal([("Organ", true), ("Bells", false), ("Organ print", false)], read.Template.Channels.Where(c => c.Destination == EmptyStage.MixBus).Select(c => (c.Name, c.Muted)));
        Assert.Contains("Organ is there as notes and as sound: the notes wait, muted.", read.LeftOut);
    }

    /// <summary>Common practice: what was printed says so in its name.</summary>
    [Theory]
    [InlineData("Harmonium PRINT.wav", true)]
    [InlineData("harmonium_bounced-01.wav", true)]
    [InlineData("Low Tide - Harmonium (Print).wav", true)]
    [InlineData("Harmonium room.wav", false)]
    [InlineData("Blueprint.wav", false)]
    public void ASoundThatSaysItIsThePrintOfAPart_MutesIt(string file, bool isPrint)
    {
        var read = Read(Midi([new TempoEvent(500_000, 0)], Track("Harmonium", 1, (0, 60))), (file, Sound(2, 2)));

        Assert.Equal(isPrint, read.Template.Channels.Single(c => c.Name == "Harmonium").Muted);
        Assert.Equal(isPrint, read.LeftOut.Contains("Harmonium is there as notes and as sound: the notes wait, muted."));
    }

    [Fact]
    public void SoundsAlone_AndAFileOfTempoAlone_AreASongToo()
    {
        var without = Read(null, ("a.wav", Sound(8, 2)), ("b.wav", Sound(2, 2)));
        Assert.Equal((120.0, 4), (without.Template.Timeline.TempoBpm, without.Template.Timeline.Sections[0].Bars));
        Assert.Contains("No tempo was said: 120 BPM until it is set.", without.LeftOut);

        var timed = Read(Midi([new TempoEvent(1_000_000, 0), Marker("Dawn", 0), Marker("Noon", 4 * 480)]), ("a.wav", Sound(8, 2)));
        Assert.Equal((60.0, "Dawn", "Noon"), (timed.Template.Timeline.TempoBpm, timed.Template.Timeline.Sections[0].Name, timed.Template.Timeline.Sections[1].Name));
    }

    [Fact]
    public void NamesThatAreThereTwice_OrSayNothing_AreGivenOnesOfTheirOwn()
    {
        var song = Read(Midi([], Track("", 1, (0, 60)), Track("Main", 2, (0, 60)), Track("main", 3, (0, 60))), ("01.wav", Sound(1, 1)), (".wav", Sound(1, 1)), ("../../etc/Kick.wav", Sound(1, 1))).Template;

        Assert.Equal(song.Channels.Count, song.Channels.Select(c => c.Name.ToUpperInvariant()).Distinct().Count());
        Assert.Contains(song.Channels, c => c.Name == "Track 2");
        Assert.Contains(song.Channels, c => c.Name == "01");
        Assert.Contains(song.Channels, c => c.Name == "Sound");
        Assert.Contains(song.Channels, c => c.Name == "Kick");
    }

    [Fact]
    public void WhatCannotBeRead_IsRefusedInWords()
    {
        Assert.Equal("nothing", Assert.IsType<FormatResult<ReadProject>.Refused>(FolderSong.Read(null, [], "x", default)).Code);
        Assert.Equal("not-midi", Assert.IsType<FormatResult<ReadProject>.Refused>(FolderSong.Read([1, 2, 3], [("a.wav", Sound(1, 1))], "x", default)).Code);
        Assert.Equal("no-notes", Assert.IsType<FormatResult<ReadProject>.Refused>(FolderSong.Read(Midi([new TempoEvent(500_000, 0)]), [], "x", default)).Code);
        var many = Enumerable.Range(0, Core.Editing.Rules.TemplateRules.MostChannels).Select(n => ($"{n}.wav", Sound(1, 1))).ToList();
        Assert.Equal("too-many", Assert.IsType<FormatResult<ReadProject>.Refused>(FolderSong.Read(null, many, "x", default)).Code);
    }

    [Fact]
    public void AnyTemplatesOwnMidiFile_GivesBackItsTimeAndEveryNote()
    {
        var heard = 0;
        for (var seed = 0; seed < Runs.Of(60, 1000); seed++)
        {
            var template = new RandomTemplates(seed).Grown(40) with { Grooves = [] };
            var parts = template.Channels.Where(c => c.Patterns.Count > 0).ToList();
            var laid = parts.SelectMany(c => new TimeMap(template.Timeline).Lay(c.Patterns)).ToList();
            if (laid.Count == 0)
                continue;
            heard++;

            var song = Read(MidiWriter.Write(template)).Template;

            Assert.Equal(template.Timeline.Sections.Select(s => (s.Name, template.Timeline.MeterOf(s))), song.Timeline.Sections.Select(s => (s.Name, song.Timeline.MeterOf(s))).Take(template.Timeline.Sections.Count));
            Assert.All(template.Timeline.Sections.Zip(song.Timeline.Sections), s => Assert.Equal(template.Timeline.TempoOf(s.First), song.Timeline.TempoOf(s.Second), 0.01));
            var back = song.Channels.SelectMany(c => new TimeMap(song.Timeline).Lay(c.Patterns));
            Assert.Equal(laid.Select(n => (n.StartTick, n.Number, n.Velocity)).Order(), back.Select(n => (n.StartTick, n.Number, n.Velocity)).Order());
        }

        Assert.True(heard > Runs.Of(60, 1000) / 10, $"Only {heard} had notes.");
    }

    private static ReadProject Read(byte[]? midi, params (string File, MediaRef Sound)[] sounds) =>
        FolderSong.Read(midi, sounds, "Low Tide", default) switch
        {
            FormatResult<ReadProject>.Read read => read.Value,
            FormatResult<ReadProject>.Refused refused => throw new InvalidOperationException(refused.Sentence),
            _ => throw new InvalidOperationException(),
        };

    private static MediaRef Sound(double seconds, int lanes) => new(new string('a', 64), "Sound", 48000, lanes, (long)(seconds * 48000));

    private static TextEvent Marker(string name, long tick) => new(name, MetaEventType.Marker, tick);

    private static IList<MidiEvent> Track(string name, int channel, params (long Tick, int Note)[] notes)
    {
        var events = new List<MidiEvent>();
        if (name.Length > 0)
            events.Add(new TextEvent(name, MetaEventType.SequenceTrackName, 0));
        foreach (var (tick, note) in notes)
        {
            var on = new NoteOnEvent(tick, channel, note, 100, 240);
            events.AddRange([on, on.OffEvent!]);
        }

        return events;
    }

    /// <summary>Whole microseconds a quarter note: 60,000,000 by the tempo, rounded or cut off (the format has no fractions).</summary>
    [Theory]
    [InlineData(143.5)]
    [InlineData(101)]
    [InlineData(92.37)]
    [InlineData(174.125)]
    public void ATempo_ComesBackAsItWasTyped(double bpm)
    {
        foreach (var microseconds in (int[])[(int)Math.Round(60e6 / bpm), (int)(60e6 / bpm)])
            Assert.Equal(bpm, Read(Midi([new TempoEvent(microseconds, 0)], Track("Keys", 1, (0, 60)))).Template.Timeline.TempoBpm);
    }

    [Theory]
    [InlineData(3, 1, "F♯ minor")]
    [InlineData(-4, 0, "A♭ major")]
    [InlineData(0, 1, "A minor")]
    [InlineData(0, 0, null)]
    public void AKeySignature_IsTheKey_ButForTheOneThatMeansNothing(int sharps, int minor, string? key)
    {
        var read = Read(Midi([new KeySignatureEvent(sharps, minor, 0), new KeySignatureEvent(1, 0, 960), new TempoEvent(500_000, 0)], Track("Keys", 1, (0, 60))));

        Assert.Equal(key, read.Template.Key?.Name);
    }

    private static byte[] Midi(IList<MidiEvent> conductor, params IList<MidiEvent>[] tracks)
    {
        var file = new MidiEventCollection(1, 480);
        foreach (var events in tracks.Prepend(conductor))
        {
            var track = file.AddTrack();
            foreach (var e in events)
                track.Add(e);
            track.Add(new MetaEvent(MetaEventType.EndTrack, 0, events.Select(e => e.AbsoluteTime).DefaultIfEmpty(0).Max()));
        }

        using var stream = new MemoryStream();
        MidiFile.Export(stream, file);
        return stream.ToArray();
    }
}
