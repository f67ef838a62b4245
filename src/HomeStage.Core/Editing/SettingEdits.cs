namespace HomeStage.Core.Editing;

internal static class SettingEdits
{
    /// <summary>The settings with one value put in, or taken out where there is none.</summary>
    public static Map<double> Put(this Map<double> settings, string parameter, double? value) =>
        value is { } number ? settings.With(parameter, number) : settings.Without(parameter);
}
