using System.Globalization;
using System.Text.RegularExpressions;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Sfz;

/// <summary>Reads an SFZ file with its samples as a ZIP: regions become pieces.</summary>
/// <remarks>SFZ 1 with labels and output numbers as later players have them (from memory). What plays on one key becomes a
/// piece, its velocity layers with it; a range of keys becomes one piece on the key of its pitch. Only WAVE files inside the
/// upload are taken. Rounds of alternating samples, release samples and everything about tone is left out, and said.</remarks>
public static class SfzReader
{
    public const int MostBytes = 48 * 1024 * 1024;

    private static readonly string[] Understood =
        ["sample", "key", "lokey", "hikey", "lovel", "hivel", "pitch_keycenter", "region_label", "group_label", "output", "pan", "trigger", "seq_position", "seq_length", "default_path"];

    public static FormatResult<SfzKit> Read(byte[] zip)
    {
        if (zip.Length > MostBytes)
            return Refused("too-large", $"A sampled kit may have {MostBytes / 1024 / 1024} MB.");
        try
        {
            using var archive = new SfzArchive(zip);
            return archive.Main is { } main ? ReadMain(archive, main) : Refused("no-sfz", "The ZIP holds no SFZ file.");
        }
        catch (InvalidDataException e)
        {
            return Refused("damaged", $"This is not a whole ZIP with an SFZ file: {e.Message}");
        }
        catch (Exception e) when (e is RegexMatchTimeoutException or NotSupportedException or IOException)
        {
            return Refused("damaged", "This ZIP cannot be read: it is damaged, encrypted or packed in an unknown way.");
        }
    }

    private static FormatResult<SfzKit> ReadMain(SfzArchive archive, string main)
    {
        var leftOut = new List<string>();
        var (regions, control) = SfzRegions.Of(new SfzText(archive, leftOut).Of(main));
        var sounding = regions.Where(r => IsHeard(r, leftOut)).Select(r => (Opcodes: r, Note: NoteOf(r))).Where(r => r.Note is not null).ToList();
        if (sounding.Count == 0)
            return Refused("no-regions", "The SFZ file has no region that sounds.");
        var folder = SfzArchive.FolderOf(main);
        var samples = new Dictionary<string, byte[]>(StringComparer.OrdinalIgnoreCase);
        var pieces = new List<SfzPiece>();
        foreach (var onNote in sounding.GroupBy(r => r.Note!.Value).OrderBy(g => g.Key))
        {
            if (pieces.Count == KitRules.MostPieces)
            {
                leftOut.Add($"what lies beyond {KitRules.MostPieces} pieces");
                break;
            }

            var layers = Layers(onNote.Select(r => r.Opcodes), archive, folder, control, samples, leftOut);
            var first = onNote.First().Opcodes;
            var name = NameOf(first, onNote.Key, control, layers);
            pieces.Add(new(Fresh(name, pieces), onNote.Key, 1 + Whole(first, "output", 0, 0, KitRules.MostOutputs - 1), Whole(first, "pan", 0, -100, 100) / 100.0, layers));
        }

        var unknown = regions.SelectMany(r => r.Keys).Concat(control.Keys).Distinct(StringComparer.OrdinalIgnoreCase)
            .Where(k => !Understood.Contains(k, StringComparer.OrdinalIgnoreCase) && !k.StartsWith("label_key", StringComparison.OrdinalIgnoreCase)).Take(12).ToList();
        if (unknown.Count > 0)
            leftOut.Add($"the settings {string.Join(", ", unknown)}");
        return new FormatResult<SfzKit>.Read(new(pieces, samples, [.. leftOut.Distinct(StringComparer.Ordinal).Take(40)]));
    }

    private static bool IsHeard(IReadOnlyDictionary<string, string> region, List<string> leftOut)
    {
        if (region.TryGetValue("trigger", out var trigger) && trigger.StartsWith("release", StringComparison.OrdinalIgnoreCase))
            leftOut.Add("samples that sound when a key is let go");
        else if (Whole(region, "seq_position", 1, 1, 100) > 1)
            leftOut.Add("rounds of alternating samples beyond the first");
        else
            return true;
        return false;
    }

    /// <summary>A key, or of a range the one at which the sample has its own pitch.</summary>
    private static int? NoteOf(IReadOnlyDictionary<string, string> region)
    {
        if (region.TryGetValue("key", out var key))
            return SfzNotes.NumberOf(key);
        var low = region.TryGetValue("lokey", out var lokey) ? SfzNotes.NumberOf(lokey) : 0;
        var high = region.TryGetValue("hikey", out var hikey) ? SfzNotes.NumberOf(hikey) : 127;
        var centre = region.TryGetValue("pitch_keycenter", out var pitch) ? SfzNotes.NumberOf(pitch) : null;
        // lokey=-1 means that no key plays it.
        if (low is null || high is null || low > high)
            return null;
        return centre >= low && centre <= high ? centre : low;
    }

    private static List<(int FromVelocity, string Sample)> Layers(
        IEnumerable<IReadOnlyDictionary<string, string>> regions, SfzArchive archive, string folder, IReadOnlyDictionary<string, string> control, Dictionary<string, byte[]> samples, List<string> leftOut)
    {
        var layers = new List<(int FromVelocity, string Sample)>();
        foreach (var region in regions.OrderBy(r => Whole(r, "lovel", 1, 0, 127)))
        {
            var from = Math.Max(1, Whole(region, "lovel", 1, 0, 127));
            if (!region.TryGetValue("sample", out var path) || path.Length == 0 || path.StartsWith('*'))
                continue;
            if (SfzArchive.Resolved(folder, control.GetValueOrDefault("default_path", "") + path) is not { } resolved || !archive.Contains(resolved))
                leftOut.Add($"{path}, which is not in the upload");
            else if (layers.Exists(l => l.FromVelocity == from))
                leftOut.Add("samples that sound together with another on one key");
            else if (samples.ContainsKey(resolved) || Take(archive, resolved, samples, leftOut))
                layers.Add((layers.Count == 0 ? 1 : from, resolved));
        }

        return layers;
    }

    private static bool Take(SfzArchive archive, string path, Dictionary<string, byte[]> samples, List<string> leftOut)
    {
        var bytes = archive.Bytes(path, SfzArchive.MostUnpacked)!;
        if (Wave.WaveReader.Read(bytes) is FormatResult<Core.Media.MediaSound>.Read)
        {
            samples[path] = bytes;
            return true;
        }

        leftOut.Add($"{path}, which is no WAVE file that can be read");
        return false;
    }

    private static string NameOf(IReadOnlyDictionary<string, string> region, int note, IReadOnlyDictionary<string, string> control, List<(int FromVelocity, string Sample)> layers)
    {
        var label = control.GetValueOrDefault(string.Create(CultureInfo.InvariantCulture, $"label_key{note}"))
            ?? region.GetValueOrDefault("region_label") ?? region.GetValueOrDefault("group_label") ?? GeneralMidiPercussion.At(note)?.Name
            ?? (layers.Count > 0 ? Path.GetFileNameWithoutExtension(layers[0].Sample) : null);
        var clean = new string([.. (label ?? "").Where(c => !char.IsControl(c))]).Trim();
        return clean.Length == 0 ? $"Key {note}" : clean[..Math.Min(clean.Length, TextRules.LongestName)].Trim();
    }

    private static string Fresh(string name, List<SfzPiece> pieces)
    {
        bool IsTaken(string n) => pieces.Exists(p => p.Name.Equals(n, StringComparison.OrdinalIgnoreCase));
        return IsTaken(name) ? Numbering.Next(name, IsTaken) : name;
    }

    private static int Whole(IReadOnlyDictionary<string, string> region, string opcode, int otherwise, int least, int most) =>
        region.TryGetValue(opcode, out var text) && double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value)
            ? (int)Math.Clamp(Math.Round(value), least, most)
            : otherwise;

    private static FormatResult<SfzKit>.Refused Refused(string code, string sentence) => new(code, sentence);
}
