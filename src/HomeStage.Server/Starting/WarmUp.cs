using System.Text.Json;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;

namespace HomeStage.Server.Starting;

/// <summary>Goes once the way that the first document which is opened will go, beside the start and on another core: the runtime compiles
/// what it meets for the first time, and nobody should wait for that.</summary>
internal static class WarmUp
{
    public static void Begin() => _ = Task.Run(OpenADocument);

    /// <summary>Asks for the library once, the way that the first page will; what fails then is said to whoever asks next.</summary>
    /// <param name="address">Our own.</param>
    public static void AskForTheLibrary(string address) => _ = Task.Run(async () =>
    {
        try
        {
            using var client = new HttpClient { BaseAddress = new(address) };
            using var answer = await client.GetAsync("/api/templates");
        }
        catch (HttpRequestException)
        {
            // The program stops already.
            return;
        }
    });

    private static void OpenADocument()
    {
        var template = Snapshot.Read(TemplateDocument.ReadTrusted(Snapshot.Plain(Snapshot.Pack(EmptyStage.Create("Nothing yet")))));
        JsonSerializer.Serialize(DocumentView.Of(new OpenDocument("", DocumentKind.Template, 0, template, [], [])), DocumentJson.Options);
    }
}
