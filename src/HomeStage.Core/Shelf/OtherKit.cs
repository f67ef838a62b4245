using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>A kit from anywhere that is to stand on the splits of another.</summary>
/// <param name="Instrument">Id in the catalogue of what plays it.</param>
/// <param name="From">The shelf's item that it is; null for one from elsewhere.</param>
public sealed record OtherKit(string Instrument, Kit Kit, ShelfItem? From = null)
{
    /// <summary>A kit from a file, played by an instrument that has jacks enough for it.</summary>
    /// <param name="instrument">What plays the kit that is there.</param>
    public static OtherKit FromFile(string instrument, Kit kit) => new(KitPlayer.For(instrument, kit), kit);

    /// <summary>The swap, and where the kit came from; what is told of the one before is forgotten.</summary>
    /// <param name="player">An instrument channel with a kit.</param>
    public KitSwap On(Template template, ChannelId player, IReadOnlyDictionary<string, string?>? said)
    {
        var swap = KitSwap.Of(template, player, Instrument, Kit, said);
        var told = template.Copies.Any(c => c.Kind == ShelfKind.Kit && c.Place == player.Value);
        return From is not null ? swap with { Edits = swap.Edits.Append(new PutShelfCopy(new(ShelfKind.Kit, player.Value, From.Id, From.Revision, Map<string>.Empty))).ToSequence() }
            : told ? swap with { Edits = swap.Edits.Append(new RemoveShelfCopy(ShelfKind.Kit, player.Value)).ToSequence() }
            : swap;
    }
}
