using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Machines;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Shelf;
using HomeStage.Server.Data.Sounds;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Machines of one's own: what would come of a list of pieces, and the batch that makes it.</summary>
internal static class MachinesApi
{
    /// <param name="Channel">Id of the instrument, or of the bus over the inputs of a machine that stands outside.</param>
    /// <param name="Outputs">The outputs that carry something, with their jacks (outside: the inputs that these are cabled to) and what they carry.</param>
    /// <param name="Edits">The batch that makes it.</param>
    /// <param name="NotUnderstood">What of the list was left alone.</param>
    public sealed record MachineView(
        ChannelId Channel, IReadOnlyList<PieceView> Pieces, IReadOnlyList<CarriedView> Outputs, IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, IReadOnlyList<string> NotUnderstood);

    /// <param name="Note">In [0, 127]; null for a far microphone.</param>
    public sealed record PieceView(string Name, string Family, int? Note);

    public sealed record CarriedView(string JackLabel, string Name, ChannelFormat Format, IReadOnlyList<string> Carries);

    /// <remarks>The query may name a machine of the shelf, whose jacks it is to have.</remarks>
    public static void MapMachines(this RouteGroupBuilder group) =>
        group.MapPost("/{id}/machines", async Task<Results<Ok<MachineView>, ProblemHttpResult>> (
            string id, string? machine, MachineWish wish, DocumentStore store, ShelfStore shelf, SidesJoined sides, StagedSounds staged, MediaStore media, CancellationToken cancellation) =>
        {
            if (await store.OpenAsync(id, cancellation) is not { } document)
                return Problems.NotFound("document");
            var item = machine is null ? null : await shelf.FindAsync(machine, cancellation);
            if (machine is not null && item?.Content is not MachineContent)
                return Problems.NotFound("machine on the shelf");
            if (item?.Content is MachineContent known)
                wish = wish with { Outputs = known.Outputs, Use = known.Use, FirstReserved = known.FirstReserved && wish.FirstInput is null };
            // What waited too long has gone.
            var gone = wish.Sounds.Where(s => !staged.IsWaiting(s.Sound.Content) && !media.IsHere(s.Sound.Content)).ToSequence();
            return OwnMachine.Of(document.Template, wish with { Sounds = wish.Sounds.Except(gone).ToSequence() }, sides.Of) switch
            {
                MachineResult.Made made => TypedResults.Ok(ViewOf(document.Template, Noted(made.Machine, item, wish.FirstInput), wish.FirstInput, gone)),
                MachineResult.Refused refused => Problems.Refused(refused.Why),
                _ => throw new InvalidOperationException("A machine is made or refused."),
            };
        });

    /// <summary>What plays in here remembers whose jacks it has.</summary>
    private static OwnMachine Noted(OwnMachine machine, ShelfItem? item, int? firstInput) => item is null || firstInput is not null
        ? machine
        : machine with { Edits = machine.Edits.Append(ShelfTake.Noted(item, machine.Channel.Value, Map<string>.Empty)).ToSequence() };

    private static MachineView ViewOf(Template template, OwnMachine machine, int? firstInput, Sequence<FolderSound> gone)
    {
        var after = Batch.Apply(template, machine.Edits) is BatchResult.Applied applied ? applied.Template : throw new InvalidOperationException("A machine made a batch that does not apply.");
        var kit = after.Channels[machine.Channel].Source is InstrumentSource { Kit: { } played } ? played : machine.Kit;
        var lines = kit.Lines;
        return new(
            machine.Channel, [.. lines.Select(l => new PieceView(l.Name, l.Family, l.Piece?.Note))],
            [.. Enumerable.Range(1, kit.Outputs.Count).Where(n => lines.Any(l => l.SoundsOn(n)))
                .Select(n => new CarriedView(firstInput is { } first ? kit.LabelFrom(n, first) : kit.JackLabel(n), kit.Outputs[n - 1].Name, kit.Outputs[n - 1].Format, [.. lines.Where(l => l.SoundsOn(n)).Select(l => l.Name)]))],
            machine.Edits, EditWords.OfBatch(machine.Edits, template), [.. machine.NotUnderstood, .. gone.Select(s => $"{s.Path}: is not here any more; bring it again")]);
    }
}
