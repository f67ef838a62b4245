using System.Xml.Linq;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.Arranging;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.DawProject;

/// <summary>Clips of sound as starters: those that begin with a section and whose file lies in the project. Takes begin anywhere, and stay behind.</summary>
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
            if (audio is null || SectionOf(clip) is not { } at || Sound(audio) is not { } sound || Of(clip, sound, at) is not { } starter)
                continue;
            var same = starters.FindIndex(s => s with { Name = "", Sections = [] } == starter with { Name = "", Sections = [] });
            if (same < 0 && starters.Count == AudioStarter.MostOnAChannel)
                continue;
            if (same >= 0)
                starters[same] = starters[same] with { Sections = starters[same].Sections.Contains(starter.Sections[0]) ? starters[same].Sections : starters[same].Sections.Add(starter.Sections[0]) };
            else
                starters.Add(starter with { Name = Numbering.Free(starter.Name, n => starters.Exists(s => s.Name == n)) });
            _taken.Add(audio);
            _used.Add(sound.Content);
        }

        return starters.Count == 0 ? channel : channel with { Starters = starters.OrderBy(s => s.Name, StringComparer.Ordinal).ToSequence() };
    }

    /// <returns>The place of the section with which a clip begins, from its own beginning on; null for any other.</returns>
    private int? SectionOf(XElement clip)
    {
        if (clip.Truth("enable") == false || (clip.Number("playStart") ?? 0) != 0 || clip.Ancestors().Any(a => a.Name.LocalName == "Clip" || a.Text("timeUnit") == "seconds") || clip.Number("time") is not { } time)
            return null;
        var at = found.Starts.Select((s, i) => (s, i)).FirstOrDefault(s => Math.Abs(s.s - time) < HardlyApart, (0, -1)).Item2;
        return at < 0 ? null : at;
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
        var content = ProjectReader.Mark(wave);
        _files.Add((title, content, wave));
        return new(content, title, facts.SampleRateHz, facts.Lanes, facts.Frames);
    }

    /// <summary>At its own speed, or warped so that it is a whole number of quarter notes long; warped otherwise it is none.</summary>
    private AudioStarter? Of(XElement clip, MediaRef sound, int at)
    {
        var section = found.Timeline.Sections[at];
        var bpm = found.Timeline.TempoOf(section);
        var warps = (clip.Element("Warps")?.Elements("Warp") ?? []).Select(w => (Quarters: w.Number("time") ?? 0, Seconds: w.Number("contentTime") ?? 0)).ToList();
        var (quarters, seconds) = warps.Count >= 2 ? (warps[^1].Quarters - warps[0].Quarters, warps[^1].Seconds - warps[0].Seconds) : (sound.Seconds * bpm / 60, sound.Seconds);
        var asRecorded = Math.Abs(seconds * bpm / 60 - quarters) < 0.01;
        var whole = (int)Math.Round(quarters);
        if (!asRecorded && !(Math.Abs(quarters - whole) < HardlyApart && whole is >= 1 and <= AudioStarter.MostQuarters && warps.Count == 2))
            return null;
        var loops = clip.Number("loopEnd") is not null;
        var name = TextRules.Cleaned(clip.Text("name"), TextRules.LongestName) is { Length: > 0 } said ? said : sound.Title;
        return new(name, sound, loops, new(0), [section.Id])
        {
            Fit = asRecorded ? LoopFit.AsRecorded : LoopFit.Resampled,
            Quarters = asRecorded ? 4 : whole,
            Through = !loops && asRecorded && (clip.Number("duration") ?? 0) > found.Timeline.TicksOf(section) / (double)Ticks.PerQuarter + HardlyApart,
        };
    }
}
