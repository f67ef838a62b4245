namespace HomeStage.Core.Templates;

/// <summary>Where on the channel a send or feed is taken: before the fader or after fader and pan.</summary>
public enum TapPoint
{
    Pre,
    Post,
}

/// <summary>A copy of a channel to a return or bus.</summary>
/// <param name="Level">In [−∞, +6] dB; 0 dB is a unity copy of the tap point.</param>
/// <param name="Open">A closed send is in place and silent.</param>
public sealed record Send(ChannelId To, Decibels Level, TapPoint Tap = TapPoint.Post, bool Open = true);

/// <summary>A copy of a channel to the key input of one insert elsewhere.</summary>
/// <param name="Level">In [−∞, +6] dB.</param>
public sealed record SidechainFeed(ChannelId Channel, InsertId Insert, Decibels Level, TapPoint Tap = TapPoint.Pre);
