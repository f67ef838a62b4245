using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Roles;

/// <summary>What a channel is for: its name, seen together with its kind.</summary>
public static class ChannelRole
{
    /// <summary>What a person has said holds. A bus that is called after one sound is the bus of its family; main and triggers are what their kind
    /// says; where a name tells nothing, the instrument, the effect of a return, or the kind does.</summary>
    public static RoleGuess Of(Channel channel)
    {
        var read = channel.Kind == ChannelKind.Instrument ? RoleReader.ReadPlayed(channel.Name) : RoleReader.Read(channel.Name);
        if (channel.Role is { } said)
            return read with { Role = said, Family = RoleNames.FamilyOf(said), Confidence = 1 };
        var role = channel.Kind switch
        {
            ChannelKind.Main => "main",
            ChannelKind.Trigger => "trigger",
            ChannelKind.Bus => BusOf(read),
            // A room that is fed by sends is an effect.
            ChannelKind.Return when read.Role == "room" => "reverb",
            _ when read.Role != RoleNames.Unknown => null,
            ChannelKind.Return => EffectOf(channel),
            ChannelKind.Split => "percussion",
            _ => channel.Source is InstrumentSource played ? InstrumentCatalogue.Find(played.Instrument)?.Role : null,
        };
        return role is null ? read : read with { Role = role, Family = RoleNames.FamilyOf(role), Confidence = Math.Max(read.Confidence, 0.7) };
    }

    /// <summary>The first room or echo in its strip says what it is, where its name does not.</summary>
    private static string EffectOf(Channel channel) =>
        channel.Inserts.Select(i => i.Processor switch { ProcessorCatalogue.Reverb => "reverb", ProcessorCatalogue.Delay => "delay", _ => null }).FirstOrDefault(r => r is not null) ?? "return-bus";

    private static string? BusOf(RoleGuess read) => read.Family switch
    {
        "drums" or "percussion" => "drum-bus",
        "bass" => "bass-bus",
        "guitars" => "guitar-bus",
        "instruments" => "instrument-bus",
        "voices" => "voice-bus",
        _ => null,
    };
}
