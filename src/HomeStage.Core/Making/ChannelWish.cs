using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>What a person says of a channel that is to be made; all else follows from it and from the template.</summary>
/// <param name="Kind">Any but the main.</param>
public sealed record ChannelWish(ChannelKind Kind)
{
    /// <summary>1 to 80 characters; null names it by what it is, with a number where that is taken.</summary>
    public string? Name { get; init; }

    /// <summary>Id of a role, as a person has said; null where its name tells. One that is not known says nothing.</summary>
    public string? Role { get; init; }

    /// <summary>The bus or main that it shall feed; null for the mix bus.</summary>
    public ChannelId? Under { get; init; }

    /// <summary>Null for what its kind, or the output that it takes, begins with.</summary>
    public ChannelFormat? Format { get; init; }

    /// <summary>Id in the instrument catalogue, for what plays one, its kit comes along; null for the one that fits the name.</summary>
    public string? Instrument { get; init; }

    /// <summary>The device that the instrument stands in for; null where the instrument is meant itself.</summary>
    public OutsideDevice? Device { get; init; }

    /// <summary>The instrument of which a split takes an output.</summary>
    public ChannelId? SplitOf { get; init; }

    /// <summary>Number of the output, from 2; null for the first that no channel takes.</summary>
    public int? Output { get; init; }

    /// <summary>Hardware input of an audio channel, in [1, 128]; null for the next that no channel takes.</summary>
    public int? Input { get; init; }

    /// <summary>Whether it shall have nothing of its default strip.</summary>
    public bool Bare { get; init; }

    /// <summary>Whether an audio channel takes nothing from an input: sound is laid on it.</summary>
    public bool WithoutInput { get; init; }
}
