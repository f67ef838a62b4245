namespace HomeStage.Core.Striking;

/// <summary>What a channel held in the project that it came from, and did not bring along.</summary>
/// <param name="Clips">Clips of recorded sound.</param>
/// <param name="Curves">Curves of automation.</param>
public sealed record HeldElsewhere(ChannelId Channel, int Clips, int Curves);
