using HomeStage.Core.Templates;

namespace HomeStage.Core.Casting;

/// <summary>A channel, or a machine with its splits, that a cast list asks for.</summary>
/// <param name="At">Where the list says so.</param>
/// <param name="Under">Index of the entry of the bus that it stands under; null for the mix bus, and for what stands under none.</param>
public sealed record CastEntry(CastSpan At, string Name, ChannelKind Kind, int? Under, CastDetails Details)
{
    /// <summary>Whether it stands under the main itself, beside the mix bus.</summary>
    public bool UnderMain { get; init; }

    /// <summary>Pieces of a machine, as a typed list has them; null for what is none.</summary>
    public string? Pieces { get; init; }

    /// <summary>How many they are.</summary>
    public int PieceCount { get; init; }
}

/// <summary>A stretch of one line.</summary>
/// <param name="Line">From 0.</param>
/// <param name="Start">Characters before it, from 0.</param>
public readonly record struct CastSpan(int Line, int Start, int Length);

/// <summary>What was not understood, or cannot be.</summary>
public sealed record CastMark(CastSpan At, string Sentence);

/// <summary>A cast list as it was read. What was not understood is in no entry.</summary>
/// <param name="TempoBpm">Quarter notes a minute; null for not said.</param>
/// <param name="Sections">Name and bars; none for not said.</param>
public sealed record CastSheet(Sequence<CastEntry> Entries, Sequence<CastMark> Marks, double? TempoBpm, Timing.Meter? Meter, MusicalKey? Key, Sequence<Timing.SectionWish> Sections)
{
    public const int LongestText = 100_000;
    public const int MostLines = 2_000;
    public const int MostEntries = 2_000;
}
