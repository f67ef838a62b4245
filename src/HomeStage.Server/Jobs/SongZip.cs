namespace HomeStage.Server.Jobs;

/// <summary>A song's package, ready to be taken away.</summary>
/// <param name="SilentBecause">Why there is no sound in it, in sentences; null where there is some.</param>
public sealed record SongZip(string FileName, byte[] Content, IReadOnlyList<string>? SilentBecause = null) : ISized
{
    public long Bytes => Content.Length;
}
