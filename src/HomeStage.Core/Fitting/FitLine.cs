using HomeStage.Core.Editing;

namespace HomeStage.Core.Fitting;

/// <summary>One thing that a template was made for, and how it meets a studio.</summary>
/// <param name="MadeFor">What the template names: "input 7 (Wall 7)".</param>
/// <param name="Here">What it meets here; null where there is no such thing.</param>
/// <param name="Note">What a person should know of it; null for nothing.</param>
/// <param name="Choices">What can be done; one at least.</param>
/// <param name="Proposed">Index of the choice that is proposed.</param>
public sealed record FitLine(FitKind Kind, ChannelId Channel, string MadeFor, string? Here, string? Note, Sequence<FitChoice> Choices, int Proposed = 0)
{
    public Sequence<Edit> ProposedEdits => Choices[Proposed].Edits;
}

/// <summary>One way of meeting a studio.</summary>
/// <param name="Name">As a person would say it.</param>
/// <param name="Edits">None where nothing changes.</param>
public sealed record FitChoice(string Name, Sequence<Edit> Edits);

/// <summary>What of a studio a line is about.</summary>
public enum FitKind
{
    Input,

    /// <summary>Two channels that would be heard by one input at once.</summary>
    SharedInput,

    Output,

    MidiDevice,
}
