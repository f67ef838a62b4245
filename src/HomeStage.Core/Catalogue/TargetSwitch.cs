using HomeStage.Core.Automation;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Catalogue;

/// <summary>Switches without which a value does nothing: a low cut that is off has no frequency.</summary>
public static class TargetSwitch
{
    /// <returns>The switch that is off, or null where the value is heard.</returns>
    public static Parameter? OffOn(this Target target, Channel channel)
    {
        if (target.ParameterOn(channel)?.Needs is not { } needs || target.With(needs) is not { } sibling || sibling.ParameterOn(channel) is not { } found)
            return null;
        return StoredValue.Of(channel, sibling) >= 0.5 ? null : found;
    }

    /// <returns>Another value of the same insert or instrument; null for what is neither.</returns>
    public static Target? With(this Target target, string parameter) => target switch
    {
        InsertTarget moved => moved with { Parameter = parameter },
        InstrumentTarget => new InstrumentTarget(parameter),
        _ => null,
    };
}
