namespace HomeStage.Core.Soundcheck;

/// <summary>What stops sound at one channel.</summary>
/// <param name="Name">Of the channel.</param>
/// <param name="Why">What is said of it: "is muted", "plays no notes". The same of many channels where the same stops them.</param>
public sealed record SilentReason(string Name, string Why)
{
    public string Sentence => $"{Name} {Why}.";

    public override string ToString() => Sentence;
}
