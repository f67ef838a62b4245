using HomeStage.Core.Controls;
using HomeStage.Core.Devices;

namespace HomeStage.Core.Editing.Rules;

/// <summary>Settings name parameters that exist and lie in their ranges.</summary>
internal static class SettingRules
{
    private const int MostLoose = 4 * DeviceControl.MostOnADevice;

    /// <param name="isDevice">What controls of a device were set to, and are not there at the one that took its place, waits for its return.</param>
    public static Refusal? Check(string owner, IEnumerable<Parameter> parameters, Map<double> settings, bool isDevice = false)
    {
        if (settings.Count == 0)
            return null;
        var known = parameters.ToDictionary(p => p.Id, StringComparer.Ordinal);
        var loose = 0;
        foreach (var (id, value) in settings)
        {
            if (known.TryGetValue(id, out var parameter))
            {
                if (CheckValue(owner, parameter, value) is { } wrong)
                    return wrong;
            }
            else if (!(isDevice && DeviceControl.IsOne(id) && Identifier.IsValid(id[DeviceControl.Prefix.Length..]) && double.IsFinite(value)))
            {
                return new Refusal.Missing("parameter", id, $"on {owner}");
            }
            else if (++loose > MostLoose)
            {
                return new Refusal.TooMany($"values of controls that {owner} does not have", MostLoose);
            }
        }

        return null;
    }

    private static Refusal? CheckValue(string owner, Parameter parameter, double value)
    {
        if (!(value >= parameter.Min && value <= parameter.Max))
            return new Refusal.OutOfRange($"{parameter.Name} of {owner}", value, parameter.Min, parameter.Max, parameter.Unit.Symbol());
        return parameter.Unit is Unit.Choice && value != Math.Floor(value) ? new Refusal.WrongPlace($"{parameter.Name} of {owner}", "takes one of its options by number") : null;
    }
}
