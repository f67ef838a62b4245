using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Listening;

/// <summary>A channel that leaves as sound of its own.</summary>
/// <param name="IsDry">As it comes in, before its inserts, fader and pan; else as it goes on after them.</param>
public sealed record Stem(ChannelId Channel, bool IsDry)
{
    /// <returns>1 where the channel is mono and nothing has spread it yet, else 2.</returns>
    public int Lanes(Template template) => IsDry && template.Channels[Channel].Format == ChannelFormat.Mono ? 1 : 2;
}
