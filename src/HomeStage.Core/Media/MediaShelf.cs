namespace HomeStage.Core.Media;

/// <summary>Where a render finds uploaded sound.</summary>
public interface IMediaShelf
{
    /// <returns>The sound, or null where it is not kept here.</returns>
    MediaSound? Find(string content);
}

/// <summary>Sound in memory.</summary>
/// <param name="Lanes">One or two, of the same length.</param>
public sealed record MediaSound(IReadOnlyList<float[]> Lanes, int SampleRateHz);

/// <summary>A shelf with nothing on it.</summary>
public sealed class EmptyShelf : IMediaShelf
{
    public static readonly EmptyShelf Instance = new();

    private EmptyShelf()
    {
    }

    public MediaSound? Find(string content) => null;
}
