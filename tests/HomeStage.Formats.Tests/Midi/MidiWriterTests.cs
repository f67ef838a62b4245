using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.Midi;
using HomeStage.TestKit;
using NAudio.Midi;

namespace HomeStage.Formats.Tests.Midi;

/// <summary>Files re-read by NAudio.Midi; the browser tests read them by the midi-file package too.</summary>
public class MidiWriterTests
{
    private static readonly Template Song = Stages.OneBar(
        new SetTimeline(new(92, new(6, 8), [new("Verse", 2), new("Crossing", 1, 60, new(4, 4)), new("Chorus", 1)])),
        new SetMusicalKey(new(-1, Minor: true)),
        Player("kit", InstrumentCatalogue.Tidewater, new("Beat", 2880, [new(0, 240, 36, 110), new(1440, 240, 38, 90)], [])),
        Player("bass", InstrumentCatalogue.Undertow, new("Line", 2880, [new(0, 1200, 38, 100)], ["verse"])));

    [Fact]
    public void Write_Tempo_IsMicrosecondsAQuarter_WhereItChanges()
    {
        var tempos = Conductor().OfType<TempoEvent>().Select(t => (t.AbsoluteTime, t.MicrosecondsPerQuarterNote));

        // 60 000 000 / 92 = 652 173.9, and a section of its own at 60.
        Assert.Equal([(0L, 652174), (5760, 1_000_000), (5760 + 3840, 652174)], tempos);
    }

    [Fact]
    public void Write_Meter_AsItIsWritten_WhereItChanges()
    {
        var meters = Conductor().OfType<TimeSignatureEvent>().Select(m => (m.AbsoluteTime, m.Numerator, 1 << m.Denominator));

        Assert.Equal([(0L, 6, 8), (5760, 4, 4), (9600, 6, 8)], meters);
    }

    [Fact]
    public void Write_Sections_AreMarkers_AndTheKeyIsASignature()
    {
        var markers = Conductor().OfType<TextEvent>().Where(t => t.MetaEventType == MetaEventType.Marker).Select(t => (t.AbsoluteTime, t.Text));

        Assert.Equal([(0L, "Verse"), (5760, "Crossing"), (9600, "Chorus")], markers);
        var key = Assert.Single(Conductor().OfType<KeySignatureEvent>());
        Assert.Equal((-1, 1), ((sbyte)key.SharpsFlats, key.MajorMinor));
    }

    [Fact]
    public void Write_EachInstrument_HasANamedTrackWithItsNotes()
    {
        var file = Reread();

        Assert.Equal(3, file.Tracks);
        Assert.Equal(["kit", "bass"], Enumerable.Range(1, 2).Select(t => file.Events[t].OfType<TextEvent>().First(e => e.MetaEventType == MetaEventType.SequenceTrackName).Text));
        var bass = file.Events[2].OfType<NoteOnEvent>().Where(n => n.Velocity > 0).Select(n => (n.AbsoluteTime, n.NoteLength, n.NoteNumber, n.Velocity));
        Assert.Equal([(0L, 1200, 38, 100), (2880, 1200, 38, 100)], bass);
        Assert.All(file.Events[1].OfType<NoteOnEvent>(), n => Assert.Equal(10, n.Channel));
    }

    [Fact]
    public void Write_AndRead_GivesThePatternBack()
    {
        var content = Assert.IsType<FormatResult<MidiContent>.Read>(MidiReader.Read(MidiWriter.Write(Song))).Value;

        var map = new TimeMap(Song.Timeline);
        var laid = map.Lay(Song.Channels[new ChannelId("kit")].Patterns).Select(n => new Note((int)n.StartTick, (int)n.LengthTicks, n.Number, n.Velocity));
        Assert.Equal(laid, content.Parts[0].Pattern.Notes);
        Assert.Equal(92, content.TempoBpm!.Value, 0.001);
        Assert.Equal(new Meter(6, 8), content.Meter);
    }

    [Fact]
    public void Write_CountedIn_HasTheCountAsASectionAndATrack_AndEverythingAfterIt()
    {
        var song = Song.With(new SetTimeline(TimelineWish.Of(Song.Timeline) with { CountIn = new(1) }));
        using var stream = new MemoryStream(MidiWriter.Write(song, countedIn: true));
        var file = new MidiFile(stream, strictChecking: true);

        // One bar of 6/8 is 2880 ticks, two felt beats.
        Assert.Equal([(0L, "Count-in"), (2880, "Verse"), (8640, "Crossing"), (12480, "Chorus")], file.Events[0].OfType<TextEvent>().Where(t => t.MetaEventType == MetaEventType.Marker).Select(t => (t.AbsoluteTime, t.Text)));
        Assert.Equal([0L, 1440], Struck(file.Events[3]));
        Assert.Equal([2880L, 5760], Struck(file.Events[2]));
        Assert.Equal(MidiWriter.Write(Song), MidiWriter.Write(song));
    }

    [Fact]
    public void Write_NotesFallWhereTheirGrooveHasThem()
    {
        var song = Song.With(
            new PutPattern(new("bass"), new("Line", 2880, [new(0, 240, 38, 100), new(480, 240, 38, 100)], ["crossing"])),
            new PutGroove(Groove.Swing("Late", 960, 2 / 3.0)), new SetGroove(new("bass"), "Late"));
        using var stream = new MemoryStream(MidiWriter.Write(song));

        // The crossing begins at 5760; the second eighth of a quarter falls at two thirds of it.
        Assert.Equal([5760L, 5760 + 640], Struck(new MidiFile(stream, strictChecking: true).Events[2]).Take(2));
    }

    private static IEnumerable<long> Struck(IList<MidiEvent> track) => track.OfType<NoteOnEvent>().Where(n => n.Velocity > 0).Select(n => n.AbsoluteTime);

    private static IList<MidiEvent> Conductor() => Reread().Events[0];

    private static MidiFile Reread()
    {
        using var stream = new MemoryStream(MidiWriter.Write(Song));
        return new(stream, strictChecking: true);
    }

    private static AddChannel Player(string id, string instrument, Pattern pattern) => new(new()
    {
        Id = new(id),
        Name = id,
        Kind = ChannelKind.Instrument,
        Destination = EmptyStage.MixBus,
        Source = new InstrumentSource(instrument, InstrumentCatalogue.Find(instrument)!.Kit),
        Patterns = [pattern],
    });
}
