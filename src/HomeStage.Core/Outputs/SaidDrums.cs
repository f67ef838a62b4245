using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>Which drum a split is by its name, held against what the wiring puts on it.</summary>
/// <remarks>The names are believed, not the wiring. A name that means no particular drum is right about anything.</remarks>
public static class SaidDrums
{
    /// <summary>Whether all that a split carries are other drums than the one that it is called after.</summary>
    /// <param name="split">One of the kit's.</param>
    public static bool IsCalledOtherwise(Channel split, SplitKit kit) => Of(split.Name) is { } said
        && kit.LinesAt(SplitKit.NumberOf(split)).Select(l => Of(l.Name)).ToList() is { Count: > 0 } carried
        && carried.TrueForAll(r => r is not null && r != said);

    /// <summary>Which drum a name means, or null: a pad may be called after anything, and so may what is neither drum nor cymbal.</summary>
    public static string? Of(string name) => RoleReader.ParticularOf(name) is { } role && RoleNames.FamilyOf(role) == "drums" ? role : null;
}
