namespace HomeStage.Core.Timing;

/// <summary>What a person says of tempo, meter and sections; sections that are new get their ids from their names.</summary>
/// <param name="TempoBpm">Quarter notes a minute.</param>
/// <param name="Sections">At least one.</param>
public sealed record TimelineWish(double TempoBpm, Meter Meter, Sequence<SectionWish> Sections)
{
    private const string Otherwise = "section";

    /// <summary>Null where nothing is counted.</summary>
    public CountIn? CountIn { get; init; }

    public static TimelineWish Of(Timeline timeline) =>
        new(timeline.TempoBpm, timeline.Meter, timeline.Sections.Select(s => new SectionWish(s.Name, s.Bars, s.TempoBpm, s.Meter, s.Id)).ToSequence()) { CountIn = timeline.CountIn };

    /// <param name="now">What it takes the place of: a section without an id that is called as one there is that one.</param>
    /// <returns>Not held against rules.</returns>
    public Timeline On(Timeline now)
    {
        var taken = Sections.Select(s => s.Id).OfType<string>().ToHashSet(StringComparer.Ordinal);
        string Free(string name) => Numbering.Fresh(Identifier.Of(name, Otherwise), taken.Contains);
        string IdOf(SectionWish wish)
        {
            if (wish.Id is { } said)
                return said;
            var same = now.Sections.FirstOrDefault(s => s.Name == wish.Name && !taken.Contains(s.Id))?.Id ?? Free(wish.Name);
            taken.Add(same);
            return same;
        }

        return new(TempoBpm, Meter, Sections.Select(s => new Section(IdOf(s), s.Name, s.Bars, s.TempoBpm, s.Meter)).ToSequence()) { CountIn = CountIn };
    }
}

/// <summary>What a person says of a section.</summary>
/// <param name="Id">Of the section that it is now; null for a new one.</param>
public sealed record SectionWish(string Name, int Bars, double? TempoBpm = null, Meter? Meter = null, string? Id = null);
