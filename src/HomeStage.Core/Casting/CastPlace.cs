using HomeStage.Core.Catalogue;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Casting;

/// <summary>What a line's parts stand under, and so what they are where nothing else is said.</summary>
/// <param name="Under">Index of the bus's entry; null for the mix bus, or none.</param>
/// <param name="Name">Of the bus; empty for none.</param>
/// <param name="Kind">What everything in it is; null for what its name says.</param>
internal sealed record CastPlace(int? Under, string Name, ChannelKind? Kind = null, bool UnderMain = false)
{
    public static readonly CastPlace Stage = new(null, "");

    /// <summary>Headings that are no bus of that name.</summary>
    private static readonly (string[] Said, CastPlace Place)[] Reserved =
    [
        (["around the main", "reference", "references", "direct"], Stage with { Kind = ChannelKind.Direct }),
        (["trigger", "triggers"], Stage with { Kind = ChannelKind.Trigger }),
        (["notes"], Stage with { Kind = ChannelKind.Notes }),
        (["main"], Stage with { UnderMain = true }),
        (["mix bus"], Stage),
    ];

    private readonly RoleGuess _role = Name.Length == 0 ? RoleReader.Read("") : ChannelRole.Of(new() { Id = EmptyStage.Main, Name = Name, Kind = ChannelKind.Bus });

    /// <summary>Whether effects stand here.</summary>
    public bool IsOfReturns => _role.Role == "return-bus" || _role.Family == "returns";

    public bool IsOfInstruments => _role.Family == "instruments";

    public bool IsOfDrums => _role.Family is "drums" or "percussion";

    /// <returns>Null for a heading that names a bus.</returns>
    public static CastPlace? Of(string heading) => Reserved.FirstOrDefault(r => r.Said.Contains(heading.ToLowerInvariant())).Place;

    /// <summary>Common practice: voices and guitars are recorded, what stands under returns is one, and all else is played by an instrument.</summary>
    public ChannelKind KindOf(string name, CastDetails said)
    {
        if (said.Kind is { } kind)
            return kind;
        if (Kind is { } all)
            return all;
        if (IsOfReturns || said.DecaySeconds is not null)
            return ChannelKind.Return;
        if (said.Input is not null || said.Microphones is not null)
            return ChannelKind.Audio;
        if (said.Instrument is not null)
            return ChannelKind.Instrument;
        var read = RoleReader.Read(name);
        var family = said.Role is { } role ? RoleNames.FamilyOf(role) : read.Role == RoleNames.Unknown ? _role.Family : read.Family;
        return read.Role is "reverb" or "delay" && _role.Family.Length == 0 ? ChannelKind.Return
            : family is "voices" or "guitars" ? ChannelKind.Audio
            : family == "direct" ? ChannelKind.Direct
            : read.Role == "trigger" ? ChannelKind.Trigger
            : ChannelKind.Instrument;
    }

    /// <summary>Bells among the keys are played as keys, and not by a drum set; null where the name tells.</summary>
    public string? InstrumentOf(string name, ChannelKind kind) =>
        kind == ChannelKind.Instrument && _role.Family == "instruments" && RoleReader.ReadPlayed(name).Family is "drums" or "percussion" ? InstrumentCatalogue.Bellbuoy : null;

    /// <summary>What a name that tells nothing is for, by what it stands under; null where that tells nothing either.</summary>
    public string? RoleOf(string name, ChannelKind kind, CastDetails said)
    {
        if (said.Role is { } role)
            return role;
        var read = ChannelRole.Of(new() { Id = EmptyStage.Main, Name = name, Kind = kind == ChannelKind.Return ? ChannelKind.Return : ChannelKind.Audio }).Role;
        if (kind == ChannelKind.Return)
            return read is "reverb" or "delay" ? null : said.LeftQuarters is null && said.RightQuarters is null ? "reverb" : "delay";
        if (read != RoleNames.Unknown || kind is not (ChannelKind.Audio or ChannelKind.Instrument))
            return null;
        return _role.Family switch
        {
            "voices" => "harmony-voice",
            "drums" or "percussion" => "percussion",
            "bass" => "bass",
            "guitars" => "electric-guitar",
            _ => null,
        };
    }
}
