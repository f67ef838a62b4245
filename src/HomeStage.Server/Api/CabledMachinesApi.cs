using HomeStage.Core.Cabled;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Listening the other way round: a pad of a simulated device is pressed, the inputs that light are seen, and named there and then.</summary>
internal static class CabledMachinesApi
{
    private static readonly OneAtATime Gate = new();

    /// <param name="Jacks">How many inputs it takes.</param>
    public sealed record CabledMachineView(string Id, string Name, int Jacks, IReadOnlyList<CabledPad> Pads);

    /// <param name="Note">In [0, 127].</param>
    public sealed record CabledPad(string Name, int Note);

    /// <param name="Input">Number of the hardware input, from 1.</param>
    /// <param name="Name">Of the channel that it is called after; null where none takes it.</param>
    /// <param name="Besides">Names of what else takes it, in the order of the template.</param>
    public sealed record InputView(int Input, string? Name, IReadOnlyList<string> Besides);

    /// <param name="FirstInput">The hardware input that the device begins at, from 1.</param>
    public sealed record PressRequest(string Device, int Note, int FirstInput);

    /// <param name="Name">1 to 80 characters.</param>
    public sealed record InputNameRequest(int Input, string Name);

    /// <param name="Edits">None where it is called that already.</param>
    public sealed record NamingView(IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words);

    public static void MapCabledMachines(this RouteGroupBuilder api) =>
        api.MapGet("/cabled-machines", () => TypedResults.Ok<IReadOnlyList<CabledMachineView>>(
            [.. CabledMachines.All.Select(d => new CabledMachineView(d.Id, d.Name, d.Jacks, [.. d.Pads.Select(p => new CabledPad(p.Name, p.Note))]))])).WithTags("Cabled");

    public static void MapInputs(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/inputs", async Task<Results<Ok<IReadOnlyList<InputView>>, ProblemHttpResult>> (string id, int first, int count, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : Span(first, count) is { } wrong ? Problems.Refused(wrong)
            : TypedResults.Ok<IReadOnlyList<InputView>>([.. Enumerable.Range(first, count)
                .Select(i => (Input: i, Bearer: InputNaming.BearerOf(document.Template, i)))
                .Select(i => new InputView(i.Input, i.Bearer?.Name, [.. InputNaming.TakersOf(document.Template, i.Input).Where(c => c.Id != i.Bearer?.Id).Select(c => c.Name)]))]));
        group.MapPost("/{id}/inputs/pressed", async Task<Results<Ok<IReadOnlyList<InputLight>>, ProblemHttpResult>> (string id, PressRequest asked, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is null ? Problems.NotFound("document")
            : CabledMachines.Find(asked.Device) is not { } device ? Problems.NotFound("cabled machine")
            : Span(asked.FirstInput, device.Jacks) is { } wrong ? Problems.Refused(wrong)
            : device.Pads.All(p => p.Note != asked.Note) ? Problems.NotFound("pad")
            : TypedResults.Ok(await Gate.DoAsync(() => device.Press(asked.Note, asked.FirstInput, cancellation), cancellation)));
        group.MapPost("/{id}/inputs/name", async Task<Results<Ok<NamingView>, ProblemHttpResult>> (string id, InputNameRequest asked, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : Span(asked.Input, 1) is { } wrong ? Problems.Refused(wrong)
            : InputNaming.Of(document.Template, asked.Input, asked.Name) is var edits && Batch.Apply(document.Template, edits) is BatchResult.Refused refused ? Problems.Refused(refused.Why)
            : TypedResults.Ok(new NamingView(edits, EditWords.OfBatch(edits, document.Template))));
    }

    private static Refusal? Span(int first, int count) =>
        !(count is >= 1 and <= InputSource.Last) ? new Refusal.OutOfRange("The number of inputs", count, 1, InputSource.Last, "")
        : first >= 1 && first + count - 1 <= InputSource.Last ? null
        : new Refusal.OutOfRange("The first input", first, 1, InputSource.Last - count + 1, "");
}
