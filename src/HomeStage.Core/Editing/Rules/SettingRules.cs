using HomeStage.Core.Controls;

namespace HomeStage.Core.Editing.Rules;

/// <summary>Settings name parameters that exist and lie in their ranges.</summary>
internal static class SettingRules
{
    public static Refusal? Check(string owner, Sequence<Parameter> parameters, Map<double> settings)
    {
        foreach (var (id, value) in settings)
        {
            if (parameters.FirstOrDefault(p => p.Id == id) is not { } parameter)
                return new Refusal.Missing("parameter", id, $"on {owner}");
            if (!(value >= parameter.Min && value <= parameter.Max))
                return new Refusal.OutOfRange($"{parameter.Name} of {owner}", value, parameter.Min, parameter.Max, parameter.Unit.Symbol());
            if (parameter.Unit is Unit.Choice && value != Math.Floor(value))
                return new Refusal.WrongPlace($"{parameter.Name} of {owner}", "takes one of its options by number");
        }

        return null;
    }
}
