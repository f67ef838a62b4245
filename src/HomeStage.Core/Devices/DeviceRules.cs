using HomeStage.Core.Controls;

namespace HomeStage.Core.Devices;

/// <summary>What a device must keep to, wherever it stands.</summary>
public static class DeviceRules
{
    public const int LongestId = 200;

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(OutsideDevice device) =>
        TextRules.Name("A device's name", device.Name)
        ?? Line($"The maker of {device.Name}", device.Maker, TextRules.LongestName)
        ?? Line($"The format of {device.Name}", device.Format, TextRules.LongestSection)
        ?? Line($"The id of {device.Name}", device.DeviceId, LongestId)
        ?? Line($"The preset of {device.Name}", device.Preset, TextRules.LongestName)
        ?? (device.Outputs.Count > OutsideDevice.MostOutputs ? new Refusal.TooMany($"outputs of {device.Name}", OutsideDevice.MostOutputs) : null)
        ?? device.Outputs.Select(o => TextRules.Name($"The name of an output of {device.Name}", o.Name)).FirstOrDefault(r => r is not null)
        ?? (device.Latency is { } latency ? CheckLatency($"The latency of {device.Name}", latency) : null)
        ?? CheckWeight(device.Name, device.Weight)
        ?? (device.State is { } state ? CheckState(device.Name, state) : null)
        ?? CheckControls(device);

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? CheckLatency(string what, DeviceLatency latency) =>
        !(latency.Frames is >= 0 and <= DeviceLatency.MostFrames) ? new Refusal.OutOfRange(what, latency.Frames, 0, DeviceLatency.MostFrames, "frames")
        : latency.RateHz is >= DeviceLatency.SlowestRateHz and <= DeviceLatency.FastestRateHz ? null
        : new Refusal.OutOfRange($"The rate of {what}", latency.RateHz, DeviceLatency.SlowestRateHz, DeviceLatency.FastestRateHz, "Hz");

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? CheckWeight(string name, DeviceWeight weight) =>
        Within($"The processor share of {name}", weight.SharePercent, DeviceWeight.MostPercent, "%")
        ?? Within($"The memory of {name}", weight.MemoryMegabytes, DeviceWeight.MostMegabytes, "MB")
        ?? Within($"The seconds that {name} takes to load", weight.LoadSeconds, DeviceWeight.MostSeconds, "s");

    private static Refusal? Within(string what, double? value, double most, string unit) =>
        value is null || (value >= 0 && value <= most) ? null : new Refusal.OutOfRange(what, value.Value, 0, most, unit);

    private static Refusal? Line(string what, string text, int longest) => text.Length == 0 ? null : TextRules.Name(what, text, longest);

    private static Refusal? CheckState(string name, DeviceState state) =>
        state.Content.Length != 64 || state.Content.Any(c => !char.IsAsciiHexDigitLower(c) && !char.IsAsciiDigit(c))
            ? new Refusal.WrongPlace($"The state of {name}", "is known by the 64 hexadecimal digits of its content")
        : !(state.Bytes is >= 1 and <= DeviceState.MostBytes) ? new Refusal.OutOfRange($"The state of {name}", state.Bytes, 1, DeviceState.MostBytes, "bytes")
        : TextRules.Name($"The file of {name}", state.FileName);

    private static Refusal? CheckControls(OutsideDevice device)
    {
        if (device.Controls.Count > DeviceControl.MostOnADevice)
            return new Refusal.TooMany($"named controls of {device.Name}", DeviceControl.MostOnADevice);
        foreach (var control in device.Controls)
            if (CheckControl($"{control.Name} of {device.Name}", control) is { } wrong)
                return wrong;
        return device.Controls.GroupBy(c => c.Id, StringComparer.Ordinal).FirstOrDefault(g => g.Count() > 1) is { } doubled
            ? new Refusal.Doubled($"the controls of {device.Name}", doubled.Key)
            : null;
    }

    private static Refusal? CheckControl(string what, DeviceControl control)
    {
        if (!Identifier.IsValid(control.Id))
            return new Refusal.BadText($"The id of {what}", 1, Identifier.MaxLength);
        if ((TextRules.Name("A control's name", control.Name, TextRules.LongestSection) ?? TextRules.Note($"The note on {what}", control.Note)) is { } text)
            return text;
        if (!(double.IsFinite(control.Min) && double.IsFinite(control.Max) && control.Min < control.Max))
            return new Refusal.WrongPlace(what, "ends above where it begins");
        if (!(control.Default >= control.Min && control.Default <= control.Max))
            return new Refusal.OutOfRange($"The default of {what}", control.Default, control.Min, control.Max, control.Unit.Symbol());
        return control.Unit switch
        {
            Unit.Switch => control is { Min: 0, Max: 1 } ? null : new Refusal.WrongPlace(what, "is a switch, so it goes from 0 to 1"),
            Unit.Choice => control.Options.Count is >= 2 and <= DeviceControl.MostOptions && control.Min == 0 && control.Max == control.Options.Count - 1
                ? control.Options.Select(o => TextRules.Name($"An option of {what}", o, TextRules.LongestSection)).FirstOrDefault(r => r is not null)
                : new Refusal.WrongPlace(what, $"is a choice, so it names 2 to {DeviceControl.MostOptions} options and counts them from 0"),
            _ => control.Options.Count == 0 ? null : new Refusal.WrongPlace(what, "names options, which only a choice has"),
        };
    }
}
