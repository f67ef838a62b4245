using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Striking;

/// <summary>A channel at rest: its fader at 0 dB, its pan at the centre, open; or as a template had it.</summary>
internal static class Resting
{
    private static readonly Decibels Level = new(0);

    /// <summary>What leads there from where a channel stands.</summary>
    /// <param name="was">Only what stands as it stood there is set; the channel itself for all.</param>
    /// <param name="at">As a template had it, which is its rest; null for a channel that none had.</param>
    public static IEnumerable<Edit> Edits(Channel channel, Channel was, Channel? at = null)
    {
        // A channel of notes alone has none of the three.
        if (!Capabilities.Of(channel.Kind).Sounds)
            yield break;
        var (level, pan, muted) = at is null ? (Level, 0, false) : (at.Level, at.Pan, at.Muted);
        if (channel.Level != level && channel.Level == was.Level)
            yield return new SetLevel(channel.Id, level);
        if (channel.Pan != pan && channel.Pan == was.Pan)
            yield return new SetPan(channel.Id, pan);
        if (channel.Muted != muted && channel.Muted == was.Muted)
            yield return new SetMute(channel.Id, muted);
    }
}
