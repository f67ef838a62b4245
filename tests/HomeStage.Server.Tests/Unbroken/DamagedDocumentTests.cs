using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>Documents with a place that is not as it should be are refused in a sentence, or taken and then read everywhere without a fault.</summary>
public class DamagedDocumentTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Documents_WithOnePlaceThatIsWrong_AreRefusedOrReadWithoutAFault()
    {
        var documents = new List<JsonNode>();
        foreach (var name in (string[])["Night Ferry", "First Rehearsal"])
            documents.Add(await server.GetAsync($"/api/documents/{await server.TemplateAsync(name)}/document"));
        var chance = new Random(17);
        var odd = new OddJson(new JsonObject(), chance, new Dictionary<string, string[]>(StringComparer.Ordinal));
        var (faults, taken, refused) = (new List<string>(), 0, 0);
        for (var i = 0; i < Runs.Of(80, 20_000); i++)
        {
            var document = odd.Spoiled(documents[i % 2].DeepClone())!.ToJsonString();
            using var answer = await server.Client.PostAsync("/api/templates/from-document", new StringContent(document, Encoding.UTF8));
            if (answer.StatusCode == HttpStatusCode.Created)
            {
                taken++;
                await ReadAsync((await RunningServer.JsonOf(answer))["id"]!.ToString(), faults);
            }
            else
            {
                refused++;
                if ((int)answer.StatusCode >= 500)
                    faults.Add($"{(int)answer.StatusCode} for document {i}");
            }
        }

        Assert.True(faults.Count == 0, string.Join('\n', faults.Take(20)));
        Assert.True(taken > Runs.Of(80, 20_000) / 20 && refused > Runs.Of(80, 20_000) / 2, $"{taken} were taken and {refused} refused.");
    }

    private async Task ReadAsync(string id, List<string> faults)
    {
        var paths = new List<string> { "", "/document", "/revisions", "/changes?since=0" };
        var view = await server.GetAsync($"/api/documents/{id}");
        var act = view["head"]?["acts"]?[0]?["id"]?.ToString() ?? "mix";
        paths.AddRange([$"/findings?act={act}", $"/levels?act={act}", $"/line-check?act={act}", $"/outputs/tidewater?act={act}"]);
        foreach (var path in paths)
        {
            using var answer = await server.Client.GetAsync($"/api/documents/{id}{path}");
            if ((int)answer.StatusCode >= 500)
                faults.Add($"{(int)answer.StatusCode} {path} of {id}");
        }

        await server.Client.DeleteAsync($"/api/documents/{id}");
    }
}
