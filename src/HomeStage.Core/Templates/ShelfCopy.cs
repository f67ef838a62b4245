using HomeStage.Core.Timing;

namespace HomeStage.Core.Templates;

/// <summary>Where a part of a template came from: the shelf's item, which revision of it, and what became of what.</summary>
/// <remarks>The part itself is the template's own; nothing in it changes when the item does.</remarks>
/// <param name="Kind">What was taken.</param>
/// <param name="Place">The part that it is now: a channel's id for a kit, a machine or a strip, the name of a groove; of a set piece the id of its first channel; of a patch what it is of and its name,
/// parted by a slash; of a chain the channel's id and its own, of a rhythm the channel's id and the starter's name, parted by a slash; of a device a <see cref="DevicePlace"/>.</param>
/// <param name="Item">Id of the item.</param>
/// <param name="Revision">Of the item, from 1.</param>
/// <param name="Became">By name in the item its name or id here, where the two differ; of a set piece all that came with it.</param>
public sealed record ShelfCopy(ShelfKind Kind, string Place, string Item, int Revision, Map<string> Became)
{
    public const int MostInATemplate = 1000;
    public const int MostBecame = 1000;

    /// <summary>Whether the part is still there.</summary>
    public bool IsIn(Template template) => Kind switch
    {
        ShelfKind.Kit or ShelfKind.Machine => template.KitOf(Place) is not null,
        ShelfKind.Groove => template.Grooves.Any(g => g.Name == Place),
        ShelfKind.Patch => template.Patches.Any(p => PlaceOf(p) == Place),
        ShelfKind.Device => DevicePlace.Of(Place)?.In(template) is { Device: not null },
        ShelfKind.Strip => Identifier.IsValid(Place) && template.Channels.Contains(new ChannelId(Place)),
        ShelfKind.Chain => ChainOf(template, Place) is not null,
        ShelfKind.Rhythm => StarterOf(template, Place) is not null,
        ShelfKind.SetPiece => Became.Values.Any(v => Identifier.IsValid(v) && template.Channels.Contains(new ChannelId(v))),
        ShelfKind.Studio => false,
        _ => throw new ArgumentOutOfRangeException(nameof(template), Kind, "Unknown kind of item."),
    };

    public static string PlaceOf(Patch patch) => $"{patch.Of}/{patch.Name}";

    public static string PlaceOf(ChannelId channel, Chain chain) => $"{channel}/{chain.Id}";

    /// <param name="place">As <see cref="PlaceOf(ChannelId, Chain)"/> makes it.</param>
    /// <returns>Null where there is no such chain.</returns>
    public static (Channel Channel, Chain Chain)? ChainOf(Template template, string place) =>
        place.Split('/') is [var id, var chain] && Identifier.IsValid(id) && template.Channels.TryGet(new(id), out var channel) && channel.Chains.FirstOrDefault(c => c.Id == chain) is { } found
            ? (channel, found)
            : null;

    public static string PlaceOf(ChannelId channel, Pattern starter) => $"{channel}/{starter.Name}";

    /// <param name="place">As <see cref="PlaceOf(ChannelId, Pattern)"/> makes it.</param>
    /// <returns>Null where there is no such starter.</returns>
    public static (Channel Channel, Pattern Starter)? StarterOf(Template template, string place) =>
        place.Split('/', 2) is [var id, var name] && Identifier.IsValid(id) && template.Channels.TryGet(new(id), out var channel) && channel.Patterns.FirstOrDefault(p => p.Name == name) is { } found
            ? (channel, found)
            : null;

    /// <returns>The first thing that is wrong, or null.</returns>
    internal Refusal? Check() =>
        !Identifier.IsValid(Item) ? new Refusal.WrongPlace("A copy of the shelf", "names its item by an id")
        : Revision < 1 ? new Refusal.OutOfRange("The revision of a shelf's item", Revision, 1, int.MaxValue, "")
        : Became.Count > MostBecame ? new Refusal.TooMany("names that became others", MostBecame)
        : TextRules.Name("The place of a copy", Place, LongestPlace);

    private const int LongestPlace = Identifier.MaxLength + 1 + TextRules.LongestName;
}

/// <summary>What the shelf keeps.</summary>
public enum ShelfKind
{
    /// <summary>Pieces with their microphones, sounds and outputs.</summary>
    Kit,

    /// <summary>The jacks of an instrument: how many, how wide, their names.</summary>
    Machine,

    Groove,

    /// <summary>Settings of an instrument or a processor.</summary>
    Patch,

    /// <summary>An outside device with its named controls and its stand-in.</summary>
    Device,

    /// <summary>A studio; it is never a part of a template.</summary>
    Studio,

    /// <summary>Inserts with their settings, sends, and how a channel is played, recorded and staged.</summary>
    Strip,

    /// <summary>Several inserts as one thing, with controls of their own.</summary>
    Chain,

    /// <summary>A starter with what its notes strike and the groove that they follow.</summary>
    Rhythm,

    /// <summary>A part of a template: channels with all that belongs to them, and what they are joined with.</summary>
    SetPiece,
}
