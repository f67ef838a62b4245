using HomeStage.Core.Defaults;
using HomeStage.Core.Making;
using HomeStage.Core.Pieces;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>Takes a part of a template as something for the shelf.</summary>
public static class ShelfKeep
{
    /// <param name="place">As <see cref="ShelfCopy.Place"/> has it; of a set piece the ids of channels, parted by spaces.</param>
    /// <returns>The content and the name that it bears here; null where there is no such part.</returns>
    public static (ShelfContent Content, string Name)? Of(Template template, ShelfKind kind, string place) => kind switch
    {
        ShelfKind.Kit => template.KitOf(place) is { } kit && template.Channels[new ChannelId(place)] is var player ? (new KitContent(((InstrumentSource)player.Source!).Instrument, kit), player.Name) : null,
        ShelfKind.Machine => template.KitOf(place) is { } played ? (new MachineContent(played.Outputs, played.FirstReserved, played.Jacks), template.Channels[new ChannelId(place)].Name) : null,
        ShelfKind.Groove => template.Grooves.FirstOrDefault(g => g.Name == place) is { } groove ? (new GrooveContent(groove), groove.Name) : null,
        ShelfKind.Patch => template.Patches.FirstOrDefault(p => ShelfCopy.PlaceOf(p) == place) is { } patch ? (new PatchContent(patch), patch.Name) : null,
        ShelfKind.Device => DevicePlace.Of(place)?.In(template) is { Device: { } device } at ? (new DeviceContent(device, at.StandIn, at.Settings), device.Name) : null,
        ShelfKind.Strip => Identifier.IsValid(place) && template.Channels.TryGet(new(place), out var channel) ? (new StripContent(DefaultChange.StripFor(template, channel)), channel.Name) : null,
        ShelfKind.Chain => ShelfCopy.ChainOf(template, place) is var (of, chain) ? (new ChainContent(ChainLaying.Of(of, chain)), chain.Name) : null,
        ShelfKind.Rhythm => ShelfCopy.StarterOf(template, place) is var (on, starter) ? (RhythmContent.Of(template, on, starter), starter.Name) : null,
        ShelfKind.SetPiece => place.Split(' ') is var ids && ids.All(Identifier.IsValid) && PieceCut.Of(template, [.. ids.Select(i => new ChannelId(i))]) is var (piece, called) ? (new SetPieceContent(piece), called) : null,
        ShelfKind.Studio => null,
        _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "Unknown kind of item."),
    };

    /// <summary>What a part is from then on, since it was kept: a copy of the item.</summary>
    public static ShelfCopy Copy(ShelfItem item, string place) => item.Content is SetPieceContent { Piece: var piece }
        ? new(ShelfKind.SetPiece, piece.Tops.First().Id.Value, item.Id, item.Revision, piece.Own.Aggregate(Map<string>.Empty, (all, c) => all.With(c.Id.Value, c.Id.Value)))
        : new(item.Content.Kind, place, item.Id, item.Revision, Map<string>.Empty);
}
