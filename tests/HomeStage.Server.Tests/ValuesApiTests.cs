using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace HomeStage.Server.Tests;

/// <summary>Numbers as people write them, read for a field.</summary>
public class ValuesApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Value_ThatCanBeRead_ComesInTheUnitOfTheField()
    {
        var answer = await AskAsync("""{"text":"dotted 1/8","unit":"milliseconds","tempoBpm":100}""");

        // 600 ms a quarter.
        Assert.Equal(450, (double)JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!["value"]!, 9);
    }

    [Theory]
    [InlineData("""{"text":"wet","unit":"hertz","tempoBpm":100}""", "“wet” is no frequency.")]
    [InlineData("""{"text":"1/8","unit":"quarters","tempoBpm":0}""", "The tempo must lie between 1 and 1000 BPM; it was 0.")]
    public async Task Value_ThatIsNone_IsRefusedInASentence(string body, string sentence)
    {
        var answer = await AskAsync(body);

        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal(sentence, JsonNode.Parse(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!["detail"]!.ToString());
    }

    private Task<HttpResponseMessage> AskAsync(string body) =>
        server.Client.PostAsync("/api/values", new StringContent(body, Encoding.UTF8, "application/json"), TestContext.Current.CancellationToken);
}
