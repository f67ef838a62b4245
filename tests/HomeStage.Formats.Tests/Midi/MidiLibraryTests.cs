using FsCheck.Xunit;
using HomeStage.Formats.Midi;
using NAudio.Midi;

namespace HomeStage.Formats.Tests.Midi;

/// <summary>Our reading of Standard MIDI Files against a library's.</summary>
public class MidiLibraryTests
{
    [Property(MaxTest = 200)]
    public void Read_GivesTheNotesThatALibraryReads(int seed)
    {
        var bytes = Written(new Random(seed));
        var theirs = new MidiFile(new MemoryStream(bytes), strictChecking: false);

        var ours = Assert.IsType<FormatResult<MidiContent>.Read>(MidiReader.Read(bytes)).Value;

        for (var track = 0; track < theirs.Tracks; track++)
        {
            foreach (var channel in theirs.Events[track].OfType<NoteOnEvent>().Where(n => n.Velocity > 0).GroupBy(n => n.Channel))
            {
                var part = ours.Parts.Single(p => p.Track == track + 1 && p.Channel == channel.Key);
                var first = channel.Min(n => n.AbsoluteTime);
                // 960 ticks of ours a quarter, 96 of the file's; whole empty bars before are left out.
                var skipped = part.SkippedBars * 4 * 96;
                Assert.True(first >= skipped);
                Assert.Equal(
                    channel.Select(n => ((n.AbsoluteTime - skipped) * 10, (long)n.NoteLength * 10, n.NoteNumber, n.Velocity)).Order(),
                    part.Pattern.Notes.Select(n => ((long)n.StartTick, (long)n.LengthTicks, n.Number, n.Velocity)).Order());
            }
        }
    }

    /// <summary>Tracks of notes that overlap on other keys and follow each other on their own, with messages of other kinds between.</summary>
    private static byte[] Written(Random chance)
    {
        var file = new MidiEventCollection(1, 96);
        for (var t = 0; t < chance.Next(1, 4); t++)
        {
            var track = file.AddTrack();
            track.Add(new TextEvent($"Track {t}", MetaEventType.SequenceTrackName, 0));
            var end = 0;
            foreach (var key in Enumerable.Range(30, chance.Next(1, 12)))
            {
                var at = chance.Next(0, 2000);
                for (var n = chance.Next(1, 8); n > 0; n--)
                {
                    var length = chance.Next(1, 300);
                    var on = new NoteOnEvent(at, 1 + chance.Next(2), key, 1 + chance.Next(127), length);
                    track.Add(on);
                    track.Add(on.OffEvent!);
                    at += length + chance.Next(1, 200);
                    end = Math.Max(end, at);
                }
            }

            track.Add(new ControlChangeEvent(5, 1, MidiController.Modulation, 10));
            track.Add(new PitchWheelChangeEvent(7, 1, 8192));
            track.Add(new MetaEvent(MetaEventType.EndTrack, 0, end));
        }

        file.PrepareForExport();
        using var stream = new MemoryStream();
        MidiFile.Export(stream, file);
        return stream.ToArray();
    }
}
