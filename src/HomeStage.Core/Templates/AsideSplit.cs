namespace HomeStage.Core.Templates;

/// <summary>A split that a coarser plan put aside, whole with its strip, until a finer one wants it back.</summary>
/// <param name="Split">As it stood; what it refers to may be gone since.</param>
/// <param name="Lines">Names of the pieces and microphones that it carried.</param>
/// <param name="Strokes">What plays each of them: the note and the name of the microphone, or the name of a far one.</param>
/// <param name="Fed">Sidechain feeds that other channels sent to its inserts.</param>
public sealed record AsideSplit(Channel Split, Sequence<string> Lines, Sequence<string> Strokes, Sequence<AsideFeed> Fed)
{
    public const int MostInATemplate = 1000;

    /// <summary>Whether the split is on stage all the while and carries others as well; then this only remembers where its strip belongs.</summary>
    public bool Stays { get; init; }

    public ChannelId Instrument => ((OutputSource)Split.Source!).Instrument;

    /// <returns>The first thing that is wrong, or null.</returns>
    internal Refusal? Check() =>
        Split is not { Kind: ChannelKind.Split, Source: OutputSource } ? new Refusal.WrongPlace(Split.Name, "is no split, and only splits are put aside")
        : Lines.Count > Kits.KitRules.MostLines ? new Refusal.TooMany($"pieces that {Split.Name} carried", Kits.KitRules.MostLines)
        : Strokes.Count != Lines.Count ? new Refusal.WrongPlace(Split.Name, "says of each piece that it carried what plays it")
        : TextRules.Name("The name of a split that is put aside", Split.Name) ?? Lines.Select(l => TextRules.Name("What a split carried", l)).FirstOrDefault(r => r is not null);
}

/// <summary>A feed and the channel that it came from.</summary>
public sealed record AsideFeed(ChannelId From, SidechainFeed Feed);
