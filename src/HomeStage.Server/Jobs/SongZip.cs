namespace HomeStage.Server.Jobs;

/// <summary>A song's package, ready to be taken away.</summary>
public sealed record SongZip(string FileName, byte[] Content) : ISized
{
    public long Bytes => Content.Length;
}
