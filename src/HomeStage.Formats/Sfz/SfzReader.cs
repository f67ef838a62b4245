using System.Globalization;
using System.Text.RegularExpressions;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;

namespace HomeStage.Formats.Sfz;

/// <summary>Reads an SFZ file with its samples as a ZIP: regions become pieces.</summary>
/// <remarks>SFZ 1 with labels and output numbers as later players have them (from memory). What plays on one key becomes a
/// piece, its velocity layers with it; a range of keys becomes one piece on the key of its pitch. Only WAVE files inside the
/// upload are taken. Rounds of alternating samples, release samples and everything about tone is left out, and said.</remarks>
public static class SfzReader
{
    public const int MostBytes = 48 * 1024 * 1024;
    public const int MostFiles = SfzArchive.MostFiles;

    // Characters read, names looked up, stretches unpacked: a few seconds' worth of the slowest of them at the very most.
    private const long MostSteps = 60_000_000;

    private static readonly string[] Understood =
        ["sample", "key", "lokey", "hikey", "lovel", "hivel", "pitch_keycenter", "region_label", "group_label", "output", "pan", "trigger", "seq_position", "seq_length", "default_path"];

    /// <param name="tray">Is given each sample that a piece plays, once.</param>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public static FormatResult<SfzKit> Read(byte[] zip, ISampleTray tray, CancellationToken cancellation = default)
    {
        if (zip.Length > MostBytes)
            return Refused("too-large", $"A sampled kit may have {MostBytes / 1024 / 1024} MB.");
        var budget = new ReadingBudget(MostSteps, cancellation);
        try
        {
            using var archive = new SfzArchive(zip, budget);
            return archive.Main is { } main ? ReadMain(archive, main, tray, budget) : Refused("no-sfz", "The ZIP holds no SFZ file.");
        }
        catch (InvalidDataException e)
        {
            return Refused("damaged", $"This is not a whole ZIP with an SFZ file: {e.Message}");
        }
        catch (Exception e) when (e is RegexMatchTimeoutException or NotSupportedException or EndOfStreamException or ArgumentException or OverflowException)
        {
            return Refused("damaged", "This ZIP cannot be read: it is damaged, encrypted or packed in an unknown way.");
        }
    }

    private static FormatResult<SfzKit> ReadMain(SfzArchive archive, string main, ISampleTray tray, ReadingBudget budget)
    {
        var leftOut = new LeftOut();
        var text = SfzRegions.Of(new SfzText(archive, leftOut, budget).Of(main), budget);
        var sounding = text.Regions.Where(r => IsHeard(r, leftOut)).Select(r => (Region: r, Note: NoteOf(r))).Where(r => r.Note is not null).ToList();
        if (sounding.Count == 0)
            return Refused("no-regions", "The SFZ file has no region that sounds.");
        var samples = new SfzSamples(archive, SfzArchive.FolderOf(main), text.Control.GetValueOrDefault("default_path", ""), tray, leftOut);
        var pieces = new List<SfzPiece>();
        foreach (var onNote in sounding.GroupBy(r => r.Note!.Value).OrderBy(g => g.Key))
        {
            if (pieces.Count == KitRules.MostPieces)
            {
                leftOut.Add($"what lies beyond {KitRules.MostPieces} pieces");
                break;
            }

            var layers = Layers(onNote.Select(r => r.Region), samples, leftOut);
            var first = onNote.First().Region;
            var name = NameOf(first, onNote.Key, text.Control, layers);
            pieces.Add(new(Fresh(name, pieces), onNote.Key, 1 + Whole(first, "output", 0, 0, KitRules.MostOutputs - 1), Whole(first, "pan", 0, -100, 100) / 100.0, [.. layers.Select(l => (l.From, l.Sample))]));
        }

        var unknown = text.Opcodes
            .Where(k => !Understood.Contains(k, StringComparer.OrdinalIgnoreCase) && !k.StartsWith("label_key", StringComparison.OrdinalIgnoreCase)).Take(12).ToList();
        if (unknown.Count > 0)
            leftOut.Add($"the settings {string.Join(", ", unknown)}");
        return new FormatResult<SfzKit>.Read(new(pieces, leftOut.Words));
    }

    private static bool IsHeard(SfzRegion region, LeftOut leftOut)
    {
        if (region["trigger"] is { } trigger && trigger.StartsWith("release", StringComparison.OrdinalIgnoreCase))
            leftOut.Add("samples that sound when a key is let go");
        else if (Whole(region, "seq_position", 1, 1, 100) > 1)
            leftOut.Add("rounds of alternating samples beyond the first");
        else
            return true;
        return false;
    }

    /// <summary>A key, or of a range the one at which the sample has its own pitch.</summary>
    private static int? NoteOf(SfzRegion region)
    {
        if (region["key"] is { } key)
            return SfzNotes.NumberOf(key);
        var low = region["lokey"] is { } lokey ? SfzNotes.NumberOf(lokey) : 0;
        var high = region["hikey"] is { } hikey ? SfzNotes.NumberOf(hikey) : 127;
        var centre = region["pitch_keycenter"] is { } pitch ? SfzNotes.NumberOf(pitch) : null;
        // lokey=-1 means that no key plays it.
        if (low is null || high is null || low > high)
            return null;
        return centre >= low && centre <= high ? centre : low;
    }

    private static List<(int From, MediaRef Sample, string Path)> Layers(IEnumerable<SfzRegion> regions, SfzSamples samples, LeftOut leftOut)
    {
        var layers = new List<(int From, MediaRef Sample, string Path)>();
        foreach (var region in regions.OrderBy(r => Whole(r, "lovel", 1, 0, 127)))
        {
            var from = Math.Max(1, Whole(region, "lovel", 1, 0, 127));
            if (region["sample"] is not { Length: > 0 } path || path.StartsWith('*'))
                continue;
            if (layers.Exists(l => l.From == from))
                leftOut.Add("samples that sound together with another on one key");
            else if (samples.Of(path) is { } sample)
                layers.Add((layers.Count == 0 ? 1 : from, sample, path));
        }

        return layers;
    }

    private static string NameOf(SfzRegion region, int note, IReadOnlyDictionary<string, string> control, List<(int From, MediaRef Sample, string Path)> layers)
    {
        var label = control.GetValueOrDefault(string.Create(CultureInfo.InvariantCulture, $"label_key{note}"))
            ?? region["region_label"] ?? region["group_label"] ?? GeneralMidiPercussion.At(note)?.Name
            ?? (layers.Count > 0 ? Path.GetFileNameWithoutExtension(layers[0].Path.Replace('\\', '/')) : null);
        var clean = TextRules.Cleaned(label, TextRules.LongestName);
        return clean.Length == 0 ? $"Key {note}" : clean;
    }

    private static string Fresh(string name, List<SfzPiece> pieces)
    {
        bool IsTaken(string n) => pieces.Exists(p => p.Name.Equals(n, StringComparison.OrdinalIgnoreCase));
        return Numbering.Free(name, IsTaken);
    }

    private static int Whole(SfzRegion region, string opcode, int otherwise, int least, int most) =>
        region[opcode] is { } text && double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value)
            ? (int)Math.Clamp(Math.Round(value), least, most)
            : otherwise;

    private static FormatResult<SfzKit>.Refused Refused(string code, string sentence) => new(code, sentence);
}
