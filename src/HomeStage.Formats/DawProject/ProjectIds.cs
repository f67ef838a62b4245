namespace HomeStage.Formats.DawProject;

/// <summary>XML ids of a project: what they are of, then ids of ours parted by full stops, which none of ours holds.</summary>
internal static class ProjectIds
{
    public const string Tempo = "transport.tempo";
    public const string Meter = "transport.meter";

    public static string Track(ChannelId channel) => $"track.{channel}";

    public static string Channel(ChannelId channel) => $"channel.{channel}";

    public static string Volume(ChannelId channel) => $"volume.{channel}";

    public static string Pan(ChannelId channel) => $"pan.{channel}";

    public static string Send(ChannelId channel, ChannelId to) => $"send.{channel}.{to}";

    public static string Device(ChannelId channel, InsertId insert) => $"device.{channel}.{insert}";

    public static string Instrument(ChannelId channel) => $"instrument.{channel}";

    /// <param name="parameter">As the catalogue has it.</param>
    public static string Parameter(ChannelId channel, InsertId insert, string parameter) => $"parameter.{channel}.{insert}.{parameter}";
}
