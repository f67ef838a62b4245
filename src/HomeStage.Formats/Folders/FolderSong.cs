using System.Text.RegularExpressions;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Media;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.Arranging;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Midi;

namespace HomeStage.Formats.Folders;

/// <summary>A folder of a Standard MIDI File and sounds as a song: what every workstation can write.</summary>
/// <remarks>Each part of the MIDI file becomes an instrument, each sound an audio channel on which it lies from the start through to its end. Markers become
/// sections. A sound that is called as a part is its print: the part is there, muted.</remarks>
public static partial class FolderSong
{
    private const double UsualBpm = 120;

    /// <summary>So long that a number fits behind it.</summary>
    private const int LongestWithNumber = 72;

    private const long MostSteps = 4_000_000;

    /// <param name="midi">A Standard MIDI File; null where the folder has none.</param>
    /// <param name="sounds">Each with the name of its file.</param>
    /// <param name="title">1 to 80 characters.</param>
    public static FormatResult<ReadProject> Read(byte[]? midi, IReadOnlyList<(string File, MediaRef Sound)> sounds, string title, CancellationToken cancellation = default)
    {
        if (midi is null)
            return sounds.Count == 0 ? new FormatResult<ReadProject>.Refused("nothing", "There is neither a MIDI file nor a sound in it.") : Of(new([], null, null, []), sounds, title, cancellation);
        return MidiReader.Read(midi) switch
        {
            FormatResult<MidiContent>.Read read => Of(read.Value, sounds, title, cancellation),
            // A file of tempo and markers alone, as it is written beside stems.
            FormatResult<MidiContent>.Refused { Code: "no-notes" } when sounds.Count > 0 && MidiReader.ReadTime(midi) is { } time => Of(time, sounds, title, cancellation),
            FormatResult<MidiContent>.Refused refused => new FormatResult<ReadProject>.Refused(refused.Code, refused.Sentence),
            _ => throw new InvalidOperationException("A file is read or refused."),
        };
    }

    private static FormatResult<ReadProject> Of(MidiContent midi, IReadOnlyList<(string File, MediaRef Sound)> sounds, string title, CancellationToken cancellation)
    {
        var left = new LeftOut();
        foreach (var words in midi.LeftOut)
            left.Add($"{Capitals.AtFirst(words)} of the MIDI file.");
        if (midi.Tempos.Count == 0)
            left.Add($"No tempo was said: {UsualBpm} BPM until it is set.");
        var found = TimelineOf(midi, sounds, left);
        try
        {
            var channels = ChannelsOf(midi, sounds, title, found, new ReadingBudget(MostSteps, cancellation), left);
            if (channels.Count >= TemplateRules.MostChannels)
                return new FormatResult<ReadProject>.Refused("too-many", $"A song has {TemplateRules.MostChannels:N0} channels at most.");
            var empty = EmptyStage.Create(title);
            var song = empty with { Timeline = found.Timeline, Key = Said(midi.Key), Channels = ChannelList.From([.. empty.Channels, .. channels]) };
            return TemplateRules.Check(song) is { } wrong
                ? new FormatResult<ReadProject>.Refused("not-a-template", $"What it says makes no song. {wrong.Sentence}")
                : new FormatResult<ReadProject>.Read(new(song, IsOwn: false, [], [], left.Words));
        }
        catch (InvalidDataException e)
        {
            return new FormatResult<ReadProject>.Refused("damaged", $"This MIDI file cannot be read as a song. {e.Message}");
        }
    }

    /// <summary>C major is what many programs write where nobody has said a key (common practice).</summary>
    private static MusicalKey? Said(MusicalKey? key) => key is { Fifths: 0, Minor: false } ? null : key;

    private static FoundTimeline TimelineOf(MidiContent midi, IReadOnlyList<(string File, MediaRef Sound)> sounds, LeftOut left)
    {
        var tempos = midi.Tempos.Where(t => t.Bpm is >= Timeline.SlowestBpm and <= Timeline.FastestBpm).ToList();
        var notes = midi.Parts.Select(EndOf).DefaultIfEmpty(0).Max();
        var seconds = sounds.Select(s => s.Sound.Seconds).DefaultIfEmpty(0).Max();
        var found = FoundTimeline.Of(midi.Markers, tempos, midi.Meters, UsualBpm, new(4, 4), Math.Max(notes, QuartersAt(tempos, seconds)), left);
        if (tempos.Exists(t => found.Starts.All(s => Math.Abs(s - t.Quarters) > 1e-3)))
            left.Add("A tempo that changes within a section: each section has the tempo with which it begins.");
        return found;
    }

    private static double EndOf(MidiPart part) => part.Pattern.Notes.Select(n => QuartersOf(part, n) + (double)n.LengthTicks / Ticks.PerQuarter).DefaultIfEmpty(0).Max();

    private static double QuartersOf(MidiPart part, Note note) => (part.SkippedTicks + (double)note.StartTick) / Ticks.PerQuarter;

    private static double QuartersAt(List<(double Quarters, double Bpm)> tempos, double seconds)
    {
        var (at, bpm) = (0.0, tempos.Count > 0 && tempos[0].Quarters <= 0 ? tempos[0].Bpm : UsualBpm);
        foreach (var next in tempos.Where(t => t.Quarters > 0))
        {
            var lasts = (next.Quarters - at) * 60 / bpm;
            if (lasts >= seconds)
                break;
            (seconds, at, bpm) = (seconds - lasts, next.Quarters, next.Bpm);
        }

        return at + seconds * bpm / 60;
    }

    private static List<Channel> ChannelsOf(MidiContent midi, IReadOnlyList<(string File, MediaRef Sound)> sounds, string title, FoundTimeline found, ReadingBudget budget, LeftOut left)
    {
        var (ids, names) = (new FreeNames(StringComparer.Ordinal, "-"), new FreeNames(StringComparer.OrdinalIgnoreCase, " "));
        foreach (var there in EmptyStage.Create("").Channels)
        {
            ids.Take(there.Id.Value);
            names.Take(there.Name);
        }

        var called = NamesOf(sounds, title);
        // A print is called as its part, with or without a word that says so.
        var printed = called.SelectMany(n => TakeName.Read(n) is { Marks: var marks, Stem: var stem } && marks.HasFlag(TakeMarks.Print) ? new[] { n, stem } : [n]).ToHashSet(StringComparer.OrdinalIgnoreCase);
        ChannelId IdOf(string name) => new(ids.Take(Identifier.Of(name, "track")));
        var channels = new List<Channel>();
        foreach (var part in midi.Parts)
        {
            var said = part.TrackName.Length > 0 ? part.TrackName : part.Channel == GeneralMidiPercussion.Channel ? "Drums" : $"Track {part.Track}";
            var isPrinted = printed.Contains(said);
            var name = names.Take(said);
            if (isPrinted)
                left.Add($"{said} is there as notes and as sound: the notes wait, muted.");
            channels.Add(new()
            {
                Id = IdOf(name),
                Name = name,
                Kind = ChannelKind.Instrument,
                Destination = EmptyStage.MixBus,
                Muted = isPrinted,
                Source = PlayedBy(said, part.Channel),
                Patterns = FoundNotes.Patterns(part.Pattern.Notes.Select(n => (said, QuartersOf(part, n), n)), found, budget),
            });
        }

        foreach (var ((_, sound), said) in sounds.Zip(called))
        {
            var name = names.Take(channels.Exists(c => c.Muted && c.Name == said) ? $"{said} print" : said);
            channels.Add(new()
            {
                Id = IdOf(name),
                Name = name,
                Kind = ChannelKind.Audio,
                Format = sound.Lanes == 1 ? ChannelFormat.Mono : ChannelFormat.Stereo,
                Destination = EmptyStage.MixBus,
                Starters = [new AudioStarter(said, sound, Loops: false, new(0), [found.Timeline.Sections[0].Id]) { Fit = LoopFit.AsRecorded, Through = true }],
            });
        }

        return channels;
    }

    private static InstrumentSource PlayedBy(string name, int midiChannel)
    {
        var instrument = midiChannel == GeneralMidiPercussion.Channel ? InstrumentCatalogue.Breakwater : FittingInstrument.For(name, null);
        return new(instrument, InstrumentCatalogue.Find(instrument)?.Kit?.Together());
    }

    /// <summary>Files are numbered, and begin with the name of the song: neither says what they are.</summary>
    private static List<string> NamesOf(IReadOnlyList<(string File, MediaRef Sound)> sounds, string title) =>
        [.. sounds.Select(s => Path.GetFileNameWithoutExtension(s.File.Replace('\\', '/')).Trim()).Select(bare =>
        {
            var rest = bare.StartsWith(title, StringComparison.OrdinalIgnoreCase) && bare.Length > title.Length && !char.IsLetterOrDigit(bare[title.Length]) ? bare[title.Length..] : bare;
            return TextRules.Cleaned(Number().Replace(rest, ""), LongestWithNumber) is { Length: > 0 } name ? name : TextRules.Cleaned(bare, LongestWithNumber) is { Length: > 0 } whole ? whole : "Sound";
        })];

    [GeneratedRegex(@"^[\s._-]*([0-9]{1,3}[\s._-]+)?", RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture)]
    private static partial Regex Number();
}
