using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Outputs;
using HomeStage.Core.Pieces;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Shelf;

/// <summary>Puts an item of the shelf into a template: a copy, and where it came from.</summary>
/// <param name="Edits">Apply whole to the template.</param>
/// <param name="Place">As <see cref="ShelfCopy.Place"/> has it.</param>
/// <param name="Swap">Where a kit takes the place of another: what that comes to.</param>
public sealed record ShelfTake(Sequence<Edit> Edits, string Place, KitSwap? Swap = null)
{
    /// <summary>What has no counterpart here or was altered to fit, a sentence each.</summary>
    public Sequence<string> Left { get; init; } = [];

    /// <summary>Of a set piece: what joins where.</summary>
    public Sequence<PieceJoint> Joints { get; init; } = [];

    /// <param name="onto">A part that the item takes the place of: an instrument with a kit, or a groove or patch that has come from it before;
    /// for a strip or a chain the ids of channels, parted by spaces; for a rhythm a channel's id, with a slash and the starter's name for one that it takes the place of; for a device a <see cref="DevicePlace"/>, or a channel's id with a slash for the end of its strip; null for something new.</param>
    public static ShelfTakeResult Of(Template template, ShelfItem item, string? onto = null, IReadOnlyDictionary<string, string?>? said = null) => item.Content switch
    {
        KitContent kit when onto is null => Whole(template, NewInstrument(template, item, kit), item),
        KitContent kit => template.KitOf(onto) is null ? NoKit(onto) : Swapped(template, onto, new OtherKit(kit.Instrument, kit.Kit, item).On(template, new(onto), said)),
        MachineContent machine => onto is not null && template.KitOf(onto) is { } carried
            ? Whole(template, SwapOf(onto, KitSwap.Of(template, new(onto), InstrumentCatalogue.OwnMachine, machine.Carrying(carried), said)), item)
            : NoKit(onto ?? "none"),
        GrooveContent groove => Named(template, item, onto, groove.Groove.Name, n => template.Grooves.Any(g => g.Name == n), n => n, n => new PutGroove(groove.Groove with { Name = n })),
        PatchContent patch => Named(template, item, onto, patch.Patch.Name, n => template.Patches.Any(p => p.Of == patch.Patch.Of && p.Name == n),
            n => ShelfCopy.PlaceOf(patch.Patch with { Name = n }), n => new PutPatch(patch.Patch with { Name = n })),
        DeviceContent device => DeviceTake.Of(template, item, device, onto) switch
        {
            (Sequence<Edit> edits, string place, var left) => Whole(template, new(edits, place) { Left = left }, item),
            _ => new ShelfTakeResult.Refused(new Refusal.Missing("place", onto ?? "none", $"that could take {item.Name}")),
        },
        StripContent strip => StripTake.Of(template, item, strip, onto) is { } laid ? Whole(template, laid, item) : new ShelfTakeResult.Refused(new Refusal.Missing("channel", onto ?? "none", $"that could take {item.Name}")),
        ChainContent chain => StripTake.Of(template, item, chain, onto) is { } put ? Whole(template, put, item) : new ShelfTakeResult.Refused(new Refusal.Missing("channel with a strip", onto ?? "none", $"that could take {item.Name}")),
        RhythmContent rhythm => RhythmTake.Of(template, item, rhythm, onto) is { } set ? Whole(template, set, item) : new ShelfTakeResult.Refused(new Refusal.Missing("channel with notes", onto ?? "none", $"that could take {item.Name}")),
        SetPieceContent { Piece: var piece } => onto is not null
            ? new ShelfTakeResult.Refused(new Refusal.WrongPlace(item.Name, "is put in beside the one that is there: take that out first"))
            : PutIn.Of(template, piece, said) switch
            {
                ({ } put, _) => Whole(template, new(put.Edits, put.Top.Value) { Left = put.Notes, Joints = put.Joints }, item, put.Became),
                (_, var why) => new ShelfTakeResult.Refused(why!),
            },
        StudioContent => new ShelfTakeResult.Refused(new Refusal.WrongPlace(item.Name, "is a studio: it is chosen, and not put into a template")),
        _ => throw new ArgumentOutOfRangeException(nameof(item), item.Content, "Unknown kind of content."),
    };

    /// <summary>Remembers that a part of a template came from an item.</summary>
    /// <param name="place">As <see cref="ShelfCopy.Place"/> has it.</param>
    public static Edit Noted(ShelfItem item, string place, Map<string> became) => new PutShelfCopy(new(item.Content.Kind, place, item.Id, item.Revision, became));

    private static ShelfTakeResult.Refused NoKit(string place) => new(new Refusal.Missing("instrument with a kit", place, "that could take this"));

    private static ShelfTake NewInstrument(Template template, ShelfItem item, KitContent content)
    {
        var made = ChannelFactory.Make(template, new(ChannelKind.Instrument) { Name = item.Name, Instrument = content.Instrument }) with { Source = new InstrumentSource(content.Instrument, content.Kit) };
        var edits = new List<Edit> { new AddChannel(made) };
        // As it is wired: every output that carries something gets its split.
        edits.AddRange(MissingSplits.Of(template, made, content.Kit, MissingSplits.Unheard(template, made.Id, content.Kit)));
        return new(edits.ToSequence(), made.Id.Value);
    }

    private static ShelfTake SwapOf(string place, KitSwap swap) => new(swap.Edits, place, swap);

    private static ShelfTakeResult Swapped(Template template, string place, KitSwap swap) =>
        Batch.Apply(template, swap.Edits) is BatchResult.Refused refused ? new ShelfTakeResult.Refused(refused.Why) : new ShelfTakeResult.Taken(SwapOf(place, swap));

    /// <summary>A name that is taken by something else gets the next number.</summary>
    private static ShelfTakeResult Named(Template template, ShelfItem item, string? onto, string name, Func<string, bool> isTaken, Func<string, string> placeOf, Func<string, Edit> put)
    {
        var before = template.Copies.FirstOrDefault(c => c.Kind == item.Content.Kind && c.Item == item.Id && (onto is null || c.Place == onto) && c.IsIn(template));
        var here = before is not null ? before.Place[(item.Content.Kind == ShelfKind.Patch ? before.Place.IndexOf('/', StringComparison.Ordinal) + 1 : 0)..]
            : Numbering.Free(name, isTaken);
        return Whole(template, new([put(here)], placeOf(here)), item, here == name ? Map<string>.Empty : Map<string>.Empty.With(name, here));
    }

    private static ShelfTakeResult Whole(Template template, ShelfTake taken, ShelfItem item, Map<string>? became = null)
    {
        var edits = taken.Edits.Append(Noted(item, taken.Place, became ?? Map<string>.Empty)).ToSequence();
        return Batch.Apply(template, edits) is BatchResult.Refused refused ? new ShelfTakeResult.Refused(refused.Why) : new ShelfTakeResult.Taken(taken with { Edits = edits });
    }
}

/// <summary>What came of taking an item.</summary>
public abstract record ShelfTakeResult
{
    public sealed record Taken(ShelfTake Take) : ShelfTakeResult;

    public sealed record Refused(Refusal Why) : ShelfTakeResult;
}
