namespace HomeStage.Core.Devices;

/// <summary>Settings of a stand-in and of the device before it lie in one map.</summary>
public static class DeviceSettings
{
    /// <returns>What the device's controls are set to.</returns>
    public static Map<double> Only(Map<double> settings) => Of(settings, isDevice: true);

    /// <returns>What the stand-in is set to.</returns>
    public static Map<double> Without(Map<double> settings) => Of(settings, isDevice: false);

    /// <summary>The device's own settings with others of the stand-in.</summary>
    public static Map<double> Onto(Map<double> settings, Map<double> standIn) => Only(settings).Aggregate(Without(standIn), (map, s) => map.With(s.Key, s.Value));

    private static Map<double> Of(Map<double> settings, bool isDevice) =>
        settings.Keys.All(k => DeviceControl.IsOne(k) == isDevice) ? settings : Map<double>.From(settings.Where(s => DeviceControl.IsOne(s.Key) == isDevice));
}
