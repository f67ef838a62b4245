using System.Globalization;
using CsvHelper;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Kits;

namespace HomeStage.Formats.Csv;

/// <summary>Devices as a table, a line each: name, and whatever else its columns tell, in any order.</summary>
/// <remarks>RFC 4180 with a header line; comma, semicolon or tab. Columns: name, kind, maker, format, id, preset, outputs (how many pairs), latency (frames),
/// rate (Hz, 48,000 where it is empty), share (%), memory (MB), load (s), here (yes or no). What is empty is unknown.</remarks>
public static class DeviceCsv
{
    public const int MostBytes = 1024 * 1024;
    public const int MostDevices = 2000;
    private static readonly string[] Known = ["name", "kind", "maker", "format", "id", "preset", "outputs", "latency", "rate", "share", "memory", "load", "here"];

    public static FormatResult<FoundDevices> Read(byte[] bytes) => CsvTable.Read(bytes, MostBytes, "devices", isWhole: false, ReadRows);

    private static FormatResult<FoundDevices> ReadRows(CsvReader csv)
    {
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { } header || !header.Any(h => h.Trim().Equals("name", StringComparison.OrdinalIgnoreCase)))
            return Refused("no-header", "The first line of a table of devices names its columns; one of them is \"name\".");
        var leftOut = header.Where(h => !Known.Contains(h.Trim().ToLowerInvariant())).Select(h => $"The column {TextRules.Cleaned(h, TextRules.LongestSection)} is not known.").ToList();
        var devices = new List<FoundDevice>();
        while (csv.Read())
        {
            var row = new Row(csv);
            if (row.Name.Length == 0)
            {
                leftOut.Add($"Line {csv.Parser.Row} has no name.");
                continue;
            }

            if (devices.Count == MostDevices)
                return Refused("too-many", $"A table may hold {MostDevices:N0} devices.");
            if (row.Device() is not { } device)
                return Refused("bad-number", $"Line {csv.Parser.Row}: {row.Wrong}");
            if (DeviceRules.Check(device.Device) is { } wrong)
                return Refused(wrong.Code, $"Line {csv.Parser.Row}: {wrong.Sentence}");
            devices.Add(device);
        }

        return devices.Count == 0 ? Refused("empty", "The table names no device.") : new FormatResult<FoundDevices>.Read(new(devices, leftOut));
    }

    private static FormatResult<FoundDevices>.Refused Refused(string code, string sentence) => new(code, sentence);

    /// <summary>One line of the table.</summary>
    private sealed class Row(CsvReader csv)
    {
        public string Name => Text("name", TextRules.LongestName);

        /// <summary>What cannot be read; null where all can.</summary>
        public string? Wrong { get; private set; }

        /// <returns>Null where something cannot be read.</returns>
        public FoundDevice? Device()
        {
            var (latency, rate, outputs) = (Number("latency"), Number("rate"), Number("outputs"));
            var weight = new DeviceWeight(Number("share"), Number("memory"), Number("load"));
            if (outputs is not (null or (>= 0 and <= OutsideDevice.MostOutputs)))
                Wrong ??= $"there are 0 to {OutsideDevice.MostOutputs} pairs of outputs.";
            if (latency is { } frames && !(frames >= 0 && frames <= DeviceLatency.MostFrames))
                Wrong ??= "the latency is a number of frames.";
            if (Wrong is not null)
                return null;
            var kind = Text("kind", TextRules.LongestName);
            var device = new OutsideDevice(Name)
            {
                Maker = Text("maker", TextRules.LongestName),
                Format = Text("format", TextRules.LongestSection),
                DeviceId = Text("id", DeviceRules.LongestId),
                Preset = Text("preset", TextRules.LongestName),
                Outputs = [.. Enumerable.Range(1, (int)(outputs ?? 0)).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))],
                Latency = latency is null ? null : new((int)latency.Value, (int)(rate ?? 48000)),
                Weight = weight,
            };
            return new(device, StandIns.IsInstrument(kind) ? StandIns.OfInstrument(kind) : StandIns.OfProcessor(kind), !Text("here", 10).StartsWith("n", StringComparison.OrdinalIgnoreCase));
        }

        private string Text(string column, int longest) => TextRules.Cleaned(FormulaText.Plain(csv.TryGetField<string>(column, out var text) ? text ?? "" : ""), longest);

        private double? Number(string column)
        {
            var text = Text(column, 40).TrimEnd('%').TrimEnd();
            if (text.Length == 0)
                return null;
            if (double.TryParse(text.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number))
                return number;
            Wrong ??= $"\"{text}\" in the column {column} is no number.";
            return null;
        }
    }
}
