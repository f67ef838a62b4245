using HomeStage.Core.Catalogue;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>Which instrument of the catalogue plays a part, by what the part is called.</summary>
public static class FittingInstrument
{
    /// <param name="name">Null for none.</param>
    /// <param name="role">Id of a role, as a person has said; null where the name tells.</param>
    /// <returns>Id in the instrument catalogue; keys where the name tells nothing, the round bass where there is none.</returns>
    public static string For(string? name, string? role)
    {
        var said = role is not null && RoleNames.All.Contains(role) ? role
            : name is null ? RoleNames.Unknown
            : ChannelRole.Of(new() { Id = EmptyStage.Main, Name = name, Kind = ChannelKind.Instrument }).Role;
        return said switch
        {
            "organ" or "winds" => InstrumentCatalogue.Reedbox,
            "synth-pad" or "synth-chord" or "strings" => InstrumentCatalogue.Gullwing,
            _ => RoleNames.FamilyOf(said) switch
            {
                "drums" or "percussion" => InstrumentCatalogue.Breakwater,
                "guitars" => InstrumentCatalogue.Driftwood,
                "instruments" => InstrumentCatalogue.Bellbuoy,
                "voices" => InstrumentCatalogue.Gullwing,
                "effects" => InstrumentCatalogue.Squall,
                "bass" => InstrumentCatalogue.Undertow,
                _ => name is null ? InstrumentCatalogue.Undertow : InstrumentCatalogue.Bellbuoy,
            },
        };
    }
}
