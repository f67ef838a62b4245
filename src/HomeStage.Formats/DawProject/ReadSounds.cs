using System.Xml.Linq;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.Arranging;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.DawProject;

/// <summary>Clips of sound as starters, where their file lies in the project. One that begins within a section, or is cut out of its file, becomes a sound of its own with
/// silence before it.</summary>
/// <param name="archive">Null where no file shall be read: then all stay behind.</param>
internal sealed class ReadSounds(ProjectArchive? archive, FoundTimeline found, ReadingBudget budget)
{
    private const long MostTogether = 4L * WaveReader.MostBytes;

    /// <summary>In quarter notes.</summary>
    private const double HardlyApart = 1e-3;

    private readonly Dictionary<string, MediaRef?> _known = new(StringComparer.Ordinal);
    private readonly List<(string Title, string Content, byte[] File)> _files = [];
    private readonly HashSet<string> _used = new(StringComparer.Ordinal);
    private readonly HashSet<XElement> _taken = [];
    private int _faded;

    /// <summary>How many of the clips that were taken fade in or out, which is left behind.</summary>
    public int Faded => _faded;

    /// <summary>The files of what was taken, with their titles.</summary>
    public IReadOnlyList<(string Title, byte[] File)> Files => [.. _files.Where(f => _used.Contains(f.Content)).Select(f => (f.Title, f.File))];

    /// <param name="audio">An Audio element.</param>
    public bool Took(XElement audio) => _taken.Contains(audio);

    /// <param name="lanes">Of its track.</param>
    /// <returns>The channel with its starters.</returns>
    public Channel On(Channel channel, IEnumerable<XElement> lanes)
    {
        if (archive is null || channel.Kind is not (ChannelKind.Audio or ChannelKind.Direct) || channel.Source is not null)
            return channel;
        var starters = new List<AudioStarter>();
        foreach (var clip in lanes.SelectMany(l => l.Descendants("Clip")))
        {
            budget.Spend(1);
            var audio = clip.Element("Audio") ?? clip.Element("Warps")?.Element("Audio");
            if (audio is null || ClipPlace.Of(clip) is not { } place || Sound(audio) is not { } sound || Of(clip, sound, place, mayCut: starters.Count < AudioStarter.MostOnAChannel) is not { } starter)
                continue;
            var same = starters.FindIndex(s => s with { Name = "", Sections = [] } == starter with { Name = "", Sections = [] });
            if (same < 0 && starters.Count == AudioStarter.MostOnAChannel)
                continue;
            if (same >= 0)
                starters[same] = starters[same] with { Sections = starters[same].Sections.Contains(starter.Sections[0]) ? starters[same].Sections : starters[same].Sections.Add(starter.Sections[0]) };
            else
                starters.Add(starter with { Name = Numbering.Free(starter.Name, n => starters.Exists(s => s.Name == n)) });
            _taken.Add(audio);
            _used.Add(starter.Sound.Content);
            _faded += clip.Number("fadeInTime") > 0 || clip.Number("fadeOutTime") > 0 ? 1 : 0;
        }

        return starters.Count == 0 ? channel : channel with { Starters = starters.OrderBy(s => s.Name, StringComparer.Ordinal).ToSequence() };
    }

    private MediaRef? Sound(XElement audio)
    {
        if (audio.Element("File") is not { } file || file.Text("path") is not { } path || file.Truth("external") == true)
            return null;
        if (_known.TryGetValue(path, out var known))
            return known;
        var room = MostTogether - _files.Sum(f => (long)f.File.Length);
        return _known[path] = archive!.Find(path, (int)Math.Min(WaveReader.MostBytes, room)) is { } bytes && Facts(bytes) is var (wave, facts) ? Kept(path, wave, facts) : null;
    }

    private (byte[] Wave, WaveFacts Facts)? Facts(byte[] bytes)
    {
        budget.Spend(1 + bytes.Length / 1024);
        return BroughtSound.AsWave(bytes) is FormatResult<ReadOnlyMemory<byte>>.Read { Value: var wave } && WaveReader.ReadFacts(wave.Span) is FormatResult<WaveFacts>.Read { Value: var facts } ? (wave.ToArray(), facts) : null;
    }

    private MediaRef Kept(string path, byte[] wave, WaveFacts facts)
    {
        var title = TextRules.Cleaned(Path.GetFileNameWithoutExtension(path.Replace('\\', '/')), TextRules.LongestName) is { Length: > 0 } said ? said : "Sound";
        return Filed(title, wave, facts);
    }

    private MediaRef Filed(string title, byte[] wave, WaveFacts facts)
    {
        var content = ProjectReader.Mark(wave);
        if (!_files.Exists(f => f.Content == content))
            _files.Add((title, content, wave));
        return new(content, title, facts.SampleRateHz, facts.Lanes, facts.Frames);
    }

    /// <summary>At its own speed, or warped so that it is a whole number of quarter notes long; warped otherwise it is none.</summary>
    /// <param name="mayCut">Whether there is room for a sound of its own.</param>
    private AudioStarter? Of(XElement clip, MediaRef sound, ClipPlace place, bool mayCut)
    {
        var at = found.Starts.Count(s => s <= place.Start + HardlyApart) - 1;
        var section = found.Timeline.Sections[at];
        var bpm = found.Timeline.TempoOf(section);
        var warps = (clip.Element("Warps")?.Elements("Warp") ?? []).Select(w => (Quarters: w.Number("time") ?? 0, Seconds: w.Number("contentTime") ?? 0)).ToList();
        var (quarters, seconds) = warps.Count >= 2 ? (warps[^1].Quarters - warps[0].Quarters, warps[^1].Seconds - warps[0].Seconds) : (sound.Seconds * bpm / 60, sound.Seconds);
        var asRecorded = Math.Abs(seconds * bpm / 60 - quarters) < 0.01;
        var whole = (int)Math.Round(quarters);
        var isWhole = Math.Abs(quarters - whole) < HardlyApart && whole is >= 1 and <= AudioStarter.MostQuarters && warps.Count == 2;
        var begins = Math.Abs(place.Start - found.Starts[at]) < HardlyApart && Math.Abs(place.Origin - place.Start) < HardlyApart;
        if (!asRecorded && !(isWhole && begins))
            return null;
        var sectionEnd = found.Starts[at] + found.Timeline.TicksOf(section) / (double)Ticks.PerQuarter;
        var name = TextRules.Cleaned(clip.Text("name"), TextRules.LongestName) is { Length: > 0 } said ? said : sound.Title;
        var laid = begins && (place.Loops || !asRecorded || place.End >= Math.Min(sectionEnd, place.Start + quarters) - HardlyApart) ? sound
            : !mayCut || place.Loops || warps.Exists(w => w.Quarters != 0 && w.Seconds == 0) ? null
            : CutOut(sound, name, place, at);
        return laid is null ? null : new(name, laid, place.Loops, new(0), [section.Id])
        {
            Fit = asRecorded ? LoopFit.AsRecorded : LoopFit.Resampled,
            Quarters = asRecorded ? 4 : whole,
            Through = !place.Loops && asRecorded && place.End > sectionEnd + HardlyApart,
        };
    }

    /// <summary>What of a sound is heard, with silence from the start of the section on.</summary>
    /// <param name="at">The place of the section in which it begins.</param>
    private MediaRef? CutOut(MediaRef sound, string title, ClipPlace place, int at)
    {
        long Frames(double seconds) => (long)Math.Round(Math.Min(seconds, sound.Seconds + 1) * sound.SampleRateHz);
        var lead = (long)Math.Round((SecondsAt(place.Start) - SecondsAt(found.Starts[at])) * sound.SampleRateHz);
        var (from, length) = (Frames(SecondsAt(place.Start) - SecondsAt(place.Origin)), Frames(SecondsAt(place.End) - SecondsAt(place.Start)));
        var whole = _files.First(f => f.Content == sound.Content).File;
        budget.Spend(1 + Math.Min(whole.Length, WaveReader.MostBytes) / 1024);
        return CutWave.Of(whole, lead, from, length, MostTogether - _files.Sum(f => (long)f.File.Length)) is { } wave && WaveReader.ReadFacts(wave) is FormatResult<WaveFacts>.Read { Value: var facts } ? Filed(title, wave, facts) : null;
    }

    /// <summary>By the file's own quarter notes, with the tempo with which each section begins; before the start the first one goes on.</summary>
    private double SecondsAt(double quarters)
    {
        var seconds = 0.0;
        for (var n = 0; ; n++)
        {
            var (own, rest) = (60 / found.Timeline.TempoOf(found.Timeline.Sections[n]), quarters - found.Starts[n]);
            if (n + 1 == found.Starts.Count || quarters < found.Starts[n + 1])
                return seconds + rest * own;
            seconds += (found.Starts[n + 1] - found.Starts[n]) * own;
        }
    }
}
