using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Striking;

/// <summary>A channel at rest: its fader at 0 dB, its pan at the centre, open.</summary>
internal static class Resting
{
    private static readonly Decibels Level = new(0);

    /// <summary>What leads there from where a channel stands.</summary>
    /// <param name="was">Only what stands as it stood there is set; the channel itself for all.</param>
    public static IEnumerable<Edit> Edits(Channel channel, Channel was)
    {
        // A channel of notes alone has none of the three.
        if (!Capabilities.Of(channel.Kind).Sounds)
            yield break;
        if (channel.Level != Level && channel.Level == was.Level)
            yield return new SetLevel(channel.Id, Level);
        if (channel.Pan != 0 && channel.Pan == was.Pan)
            yield return new SetPan(channel.Id, 0);
        if (channel.Muted && was.Muted)
            yield return new SetMute(channel.Id, false);
    }
}
