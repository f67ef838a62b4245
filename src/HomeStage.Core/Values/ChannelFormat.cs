namespace HomeStage.Core.Values;

/// <summary>One lane or two.</summary>
public enum ChannelFormat
{
    Mono,
    Stereo,
}
