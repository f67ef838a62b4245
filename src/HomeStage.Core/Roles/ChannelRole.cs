using HomeStage.Core.Templates;

namespace HomeStage.Core.Roles;

/// <summary>What a channel is for: its name, seen together with its kind.</summary>
public static class ChannelRole
{
    /// <summary>A bus that is called after one sound is the bus of its family; main and triggers are what their kind says.</summary>
    public static RoleGuess Of(Channel channel)
    {
        var read = RoleReader.Read(channel.Name);
        var role = channel.Kind switch
        {
            ChannelKind.Main => "main",
            ChannelKind.Trigger => "trigger",
            ChannelKind.Bus => BusOf(read),
            _ => null,
        };
        return role is null ? read : read with { Role = role, Family = RoleNames.FamilyOf(role), Confidence = Math.Max(read.Confidence, 0.7) };
    }

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
