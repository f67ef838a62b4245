namespace HomeStage.Server.Memory;

/// <summary>How the memory for what could be worked out or read again is shared out.</summary>
/// <param name="Megabytes">All caches together, in [64, 16,384] MB.</param>
public sealed record MemoryBudget(int Megabytes = MemoryBudget.Usual)
{
    public const int Usual = 1024;
    public const int Least = 64;
    public const int Most = 16384;

    private long Bytes => Megabytes * 1024L * 1024;

    /// <summary>What channels gave in renders: three eighths.</summary>
    public long Tapes => Bytes * 3 / 8;

    /// <summary>Finished renders: five sixteenths.</summary>
    public long Renders => Bytes * 5 / 16;

    /// <summary>Uploaded sounds as samples: three sixteenths.</summary>
    public long Sounds => Bytes * 3 / 16;

    /// <summary>Open documents, about: an eighth.</summary>
    public long Documents => Bytes / 8;
}
