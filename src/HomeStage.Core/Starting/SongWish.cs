using HomeStage.Core.Timing;

namespace HomeStage.Core.Starting;

/// <summary>What is said of a song when it is started from a template.</summary>
/// <param name="Title">1 to 80 characters.</param>
public sealed record SongWish(string Title)
{
    /// <summary>Quarter notes a minute; null keeps the template's.</summary>
    public double? TempoBpm { get; init; }

    /// <summary>Null keeps the template's.</summary>
    public Meter? Meter { get; init; }

    /// <summary>As <see cref="SectionsText"/> reads them; null keeps the template's.</summary>
    public string? Sections { get; init; }

    /// <summary>What is counted; null keeps the template's.</summary>
    public CountIn? CountIn { get; init; }

    /// <summary>Null keeps the template's, or lets it wait.</summary>
    public MusicalKey? Key { get; init; }

    /// <summary>Inserts that waited for a person and wait no more.</summary>
    public Sequence<ReadyInsert> Ready { get; init; } = [];

    /// <summary>Channels that take an input other than the template says, or than the studio would give them.</summary>
    public Sequence<SaidInput> Inputs { get; init; } = [];

    /// <summary>Channels of which the prints do not come along.</summary>
    public Sequence<ChannelId> WithoutPrints { get; init; } = [];
}

public sealed record ReadyInsert(ChannelId Channel, InsertId Insert);

/// <param name="First">From 1; a channel that is stereo takes the next as well.</param>
public sealed record SaidInput(ChannelId Channel, int First);
