using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Machines;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Machines of one's own: what would come of a list of pieces, and the batch that makes it.</summary>
internal static class MachinesApi
{
    /// <param name="Channel">Id of the instrument.</param>
    /// <param name="Outputs">The outputs that carry something, with their jacks and what they carry, as it would be.</param>
    /// <param name="Edits">The batch that makes it.</param>
    /// <param name="NotUnderstood">What of the list was left alone.</param>
    public sealed record MachineView(
        ChannelId Channel, IReadOnlyList<PieceView> Pieces, IReadOnlyList<CarriedView> Outputs, IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, IReadOnlyList<string> NotUnderstood);

    /// <param name="Note">In [0, 127]; null for a far microphone.</param>
    public sealed record PieceView(string Name, string Family, int? Note);

    public sealed record CarriedView(string JackLabel, string Name, ChannelFormat Format, IReadOnlyList<string> Carries);

    public static void MapMachines(this RouteGroupBuilder group) =>
        group.MapPost("/{id}/machines", async Task<Results<Ok<MachineView>, ProblemHttpResult>> (string id, MachineWish wish, DocumentStore store, SidesJoined sides, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : OwnMachine.Of(document.Template, wish, sides.Of) switch
            {
                MachineResult.Made made => TypedResults.Ok(ViewOf(document.Template, made.Machine)),
                MachineResult.Refused refused => Problems.Refused(refused.Why),
                _ => throw new InvalidOperationException("A machine is made or refused."),
            });

    private static MachineView ViewOf(Template template, OwnMachine machine)
    {
        var after = Batch.Apply(template, machine.Edits) is BatchResult.Applied applied ? applied.Template : throw new InvalidOperationException("A machine made a batch that does not apply.");
        var kit = ((InstrumentSource)after.Channels[machine.Channel].Source!).Kit!;
        var lines = kit.Lines;
        return new(
            machine.Channel, [.. lines.Select(l => new PieceView(l.Name, l.Family, l.Piece?.Note))],
            [.. Enumerable.Range(1, kit.Outputs.Count).Where(n => lines.Any(l => l.Output == n))
                .Select(n => new CarriedView(kit.JackLabel(n), kit.Outputs[n - 1].Name, kit.Outputs[n - 1].Format, [.. lines.Where(l => l.Output == n).Select(l => l.Name)]))],
            machine.Edits, EditWords.OfBatch(machine.Edits, template), machine.NotUnderstood);
    }
}
