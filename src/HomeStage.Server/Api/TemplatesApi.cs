using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.Documents;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>The library.</summary>
internal static class TemplatesApi
{
    public sealed record NewTemplate(string Name);

    public sealed record Created(string Id);

    public static void MapTemplates(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/templates").WithTags("Templates");
        group.MapGet("/", List);
        group.MapPost("/", Create);
        group.MapPost("/from-document", FromDocument);
        group.MapPut("/{id}/default", OpenByDefault);
        group.MapDocument(DocumentKind.Template);
    }

    private static async Task<Ok<IReadOnlyList<SummaryView>>> List(DocumentLists lists, DocumentStore store, CancellationToken cancellation)
    {
        var bills = new List<SummaryView>();
        foreach (var row in await lists.AllAsync(DocumentKind.Template, cancellation))
            if (await store.OpenAsync(row.Id, DocumentKind.Template, cancellation) is { } document)
                bills.Add(SummaryView.Of(row, document));
        return TypedResults.Ok<IReadOnlyList<SummaryView>>(bills);
    }

    private static async Task<Results<Created<Created>, ProblemHttpResult>> Create(NewTemplate asked, DocumentStore store, CancellationToken cancellation)
    {
        var template = EmptyStage.Create(asked.Name.Trim());
        return TemplateRules.Check(template) is { } wrong ? Problems.Refused(wrong) : await Keep(template, store, cancellation);
    }

    private static async Task<Results<Created<Created>, ProblemHttpResult>> FromDocument(HttpRequest request, DocumentStore store, CancellationToken cancellation)
    {
        var bytes = await BoundedStream.ReadAsync(request.Body, TemplateDocument.MostBytes, cancellation);
        if (bytes is null)
            return Problems.Unreadable("too-large", $"A template document may have {TemplateDocument.MostBytes / 1024 / 1024} MB.");
        return TemplateDocument.Read(bytes) switch
        {
            FormatResult<Template>.Read read => await Keep(read.Value, store, cancellation),
            FormatResult<Template>.Refused refused => Problems.Unreadable(refused.Code, refused.Sentence),
            _ => throw new InvalidOperationException("A document is read or refused."),
        };
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> OpenByDefault(string id, DocumentLists lists, CancellationToken cancellation) =>
        await lists.OpenByDefaultAsync(id, cancellation) ? TypedResults.NoContent() : Problems.NotFound("template");

    private static async Task<Created<Created>> Keep(Template template, DocumentStore store, CancellationToken cancellation)
    {
        var document = await store.CreateAsync(DocumentKind.Template, template, cancellation: cancellation);
        return TypedResults.Created($"/api/templates/{document.Id}", new Created(document.Id));
    }
}
