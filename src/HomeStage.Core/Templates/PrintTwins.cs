namespace HomeStage.Core.Templates;

/// <summary>Prints that lie on the audio channels that stand in for instruments.</summary>
public static class PrintTwins
{
    /// <returns>The channel that takes the print of another; null where there is none.</returns>
    public static Channel? TwinOf(this Template template, Channel channel) => channel.PrintTwin is { } twin && template.Channels.TryGet(twin, out var found) ? found : null;

    /// <returns>Every channel that takes the print of another, whether one lies there or not.</returns>
    public static HashSet<ChannelId> PrintChannels(this Template template) => [.. template.Channels.Select(c => c.PrintTwin).OfType<ChannelId>()];

    /// <returns>Whether it takes the print of another.</returns>
    public static bool IsPrintChannel(this Template template, Channel channel) => template.Channels.Any(c => c.PrintTwin == channel.Id);

    /// <returns>Whether a print lies on a channel: a sound of the whole timeline.</returns>
    public static bool HoldsPrint(this Channel channel) => channel.Starters.Any(s => s.Through);

    /// <returns>Whether its print channel holds a print.</returns>
    public static bool IsPrinted(this Template template, Channel channel) => template.TwinOf(channel)?.HoldsPrint() == true;

    /// <returns>Whether its print plays in its place in an act.</returns>
    public static bool PlaysPrint(this Template template, Channel channel, string act) =>
        template.IsPrinted(channel) && channel.StageIn(act) == StageState.InTheWings && template.TwinOf(channel)!.StageIn(act) != StageState.InTheWings;
}
