using HomeStage.Core.Editing;
using HomeStage.Core.Media;

namespace HomeStage.Core.Soundcheck.Findings;

/// <summary>How much a finding matters.</summary>
public enum Severity
{
    /// <summary>A song started from this would not work.</summary>
    Blocker,

    /// <summary>Something is likely not as it was meant.</summary>
    Warning,

    /// <summary>It could be better.</summary>
    Hint,
}

/// <summary>One thing that the soundcheck found.</summary>
/// <param name="Rule">Id of the rule.</param>
/// <param name="Channels">The channels that it is about, the one to look at first; empty where it is about the whole.</param>
/// <param name="Sentence">The evidence, for people.</param>
/// <param name="Mends">Prepared batches of edits, each of which removes it; the best first.</param>
public sealed record Finding(string Rule, Severity Severity, Sequence<ChannelId> Channels, string Sentence, Sequence<Mend> Mends)
{
    /// <summary>Uploaded sounds whose return would remove it.</summary>
    public Sequence<MediaRef> Sounds { get; init; } = [];

    /// <summary>What it is known by as long as it is about the same thing.</summary>
    public string Key => $"{Rule}/{string.Join('/', Channels)}";
}

/// <summary>A batch of edits that removes a finding.</summary>
/// <param name="Name">What it does, as a person would say it.</param>
public sealed record Mend(string Name, Sequence<Edit> Edits);
