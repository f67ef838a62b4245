using System.Globalization;
using System.Text.RegularExpressions;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Casting;

/// <summary>What lines of a cast list say of tempo, meter, key and sections: "Tempo 97", "117 BPM, 7/8, D minor", "Sections: Verse 8, Lift 4", or sections in lines that are set in.</summary>
internal sealed partial class CastTimeline
{
    private const RegexOptions Linear = RegexOptions.NonBacktracking | RegexOptions.ExplicitCapture | RegexOptions.IgnoreCase;

    private readonly List<CastMark> _marks = [];
    private readonly List<SectionWish> _sections = [];
    private bool _isAmongSections;

    public double? TempoBpm { get; private set; }

    public Meter? Meter { get; private set; }

    public MusicalKey? Key { get; private set; }

    public Sequence<SectionWish> Sections => _sections.ToSequence();

    /// <summary>What cannot be so, where it stands.</summary>
    public IReadOnlyList<CastMark> Marks => _marks;

    /// <summary>Whether a line that says no more than this is about the timeline.</summary>
    public static bool Says(string text) => SectionsOf().IsMatch(text) || Parts(text).All(p => SaysOne(p.Text));

    /// <returns>Whether the line is about the timeline; then it is read, and stands for no channel.</returns>
    public bool Read(CastLine line)
    {
        if (line.Indent > 0)
        {
            if (_isAmongSections)
                Add(line, 0, line.Text);
            return _isAmongSections;
        }

        var sections = SectionsOf().Match(line.Text);
        _isAmongSections = sections.Success;
        if (sections.Success)
        {
            _sections.Clear();
            Add(line, sections.Groups["all"].Index, sections.Groups["all"].Value);
            return true;
        }

        var parts = Parts(line.Text).ToList();
        if (!parts.TrueForAll(p => SaysOne(p.Text)))
            return false;
        foreach (var (start, text) in parts)
            if (One(text) is { } wrong)
                _marks.Add(new(line.At(start, text.Length), wrong));
        return true;
    }

    private static IEnumerable<(int Start, string Text)> Parts(string text) => CastCuts.Parted(text, ',', '·').Select(CastCuts.Trimmed);

    private static bool SaysOne(string text) => Tempo().IsMatch(text) || MeterOf().IsMatch(text) || KeyOf().IsMatch(text);

    /// <returns>Why it cannot be so; null where it was taken.</returns>
    private string? One(string text)
    {
        if (Tempo().Match(text) is { Success: true } tempo)
        {
            var bpm = double.Parse(tempo.Groups["bpm"].Value.Replace(',', '.'), CultureInfo.InvariantCulture);
            if (TimelineRules.Tempo(bpm) is { } wrong)
                return wrong.Sentence;
            TempoBpm = bpm;
            return null;
        }

        if (MeterOf().Match(text) is { Success: true } meter)
        {
            var read = new Meter(int.Parse(meter.Groups["beats"].Value, CultureInfo.InvariantCulture), int.Parse(meter.Groups["unit"].Value, CultureInfo.InvariantCulture));
            if (TimelineRules.Meter(read) is { } wrong)
                return wrong.Sentence;
            Meter = read;
            return null;
        }

        var key = KeyOf().Match(text);
        var sign = key.Groups["sign"].Value.ToLowerInvariant() switch { "#" or "♯" or "sharp" => "♯", "" => "", _ => "♭" };
        Key = MusicalKey.All.FirstOrDefault(k => k.Name == $"{key.Groups["tonic"].Value.ToUpperInvariant()}{sign} {(key.Groups["minor"].Success ? "minor" : "major")}");
        return Key is null ? "No key signature says that." : null;
    }

    /// <param name="from">Where the text stands in the line.</param>
    private void Add(CastLine line, int from, string sections)
    {
        foreach (var (start, text) in Parts(sections).Where(p => p.Text.Length > 0))
        {
            var said = SaidSection.Read(text);
            var bars = said.Bars ?? SectionsText.UsualBars;
            var name = Numbering.Free(Capitals.AtFirst(CastCuts.Unquoted(said.Name)), n => _sections.Exists(s => s.Name == n));
            if (TimelineRules.Section(name, bars, said.TempoBpm, said.Meter) is { } wrong)
                _marks.Add(new(line.At(from + start, text.Length), wrong.Sentence));
            else
                _sections.Add(new(name, bars, said.TempoBpm, said.Meter));
        }
    }

    [GeneratedRegex(@"^(?:tempo\s*:?\s*(?<bpm>\d{1,3}(?:[.,]\d+)?)(?:\s*bpm)?|(?<bpm>\d{1,3}(?:[.,]\d+)?)\s*bpm)$", Linear)]
    private static partial Regex Tempo();

    [GeneratedRegex(@"^(?:(?:meter|time\s+signature)\s*:?\s*)?(?<beats>\d{1,2})\s*/\s*(?<unit>\d{1,2})$", Linear)]
    private static partial Regex MeterOf();

    // Without the word it takes both: a letter alone is a name.
    [GeneratedRegex(@"^(?:key\s*:?\s*(?<tonic>[a-g])\s*(?<sign>#|b|♯|♭|sharp|flat)?\s*(?<minor>minor|min|m)?(?:\s*major|\s*maj)?|(?<tonic>[a-g])\s*(?<sign>#|b|♯|♭|sharp|flat)?\s+(?:(?<minor>minor|min)|major|maj))$", Linear)]
    private static partial Regex KeyOf();

    [GeneratedRegex(@"^sections\s*(?::\s*(?<all>.*))?$", Linear)]
    private static partial Regex SectionsOf();
}
