using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Listening;

/// <summary>A channel that leaves as sound of its own.</summary>
public sealed record Stem(ChannelId Channel, StemPoint Point)
{
    /// <summary>The sum through whose strip, fader and pan it goes by itself besides, after its own; null for none. What does not lead there goes through none.</summary>
    public ChannelId? Through { get; init; }

    /// <returns>1 where the channel is mono and nothing has spread it yet, else 2.</returns>
    public int Lanes(Template template) => Point != StemPoint.AfterFader && template.Channels[Channel].Format == ChannelFormat.Mono ? 1 : 2;
}

/// <summary>Where on a channel a stem is taken.</summary>
public enum StemPoint
{
    /// <summary>As it comes in, before its inserts: dry.</summary>
    Input,

    /// <summary>After its inserts, before fader and pan: as a print, which has fader and pan of its own.</summary>
    BeforeFader,

    /// <summary>As it goes on, after fader and pan.</summary>
    AfterFader,
}
