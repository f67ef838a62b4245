using System.Net;
using System.Net.Http.Json;

namespace HomeStage.Server.Tests;

/// <summary>Nothing but this machine's own pages gets in, and nothing from elsewhere is let into them.</summary>
public class GateTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Request_UnderAnotherName_IsRefused()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/health") { Headers = { Host = "stage.example" } };

        await Refused(request, "unknown-host");
    }

    [Theory]
    [InlineData("http://elsewhere.example")]
    [InlineData("http://127.0.0.1:1")]
    [InlineData("null")]
    public async Task Request_FromAnotherOrigin_IsRefused(string origin)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/templates") { Content = JsonContent.Create(new { name = "Sneaked in" }) };
        request.Headers.Add("Origin", origin);

        await Refused(request, "cross-site");
    }

    [Fact]
    public async Task Request_ThatTheBrowserCallsCrossSite_IsRefused()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/templates");
        request.Headers.Add("Sec-Fetch-Site", "cross-site");

        await Refused(request, "cross-site");
    }

    [Fact]
    public async Task Request_FromItsOwnPage_IsLetIn()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/health");
        request.Headers.Add("Origin", server.Client.BaseAddress!.GetLeftPart(UriPartial.Authority));

        Assert.Equal(HttpStatusCode.OK, (await server.Client.SendAsync(request)).StatusCode);
    }

    [Fact]
    public async Task Page_HasAStrictPolicyWithANonceOfItsOwn()
    {
        var (first, second) = (await server.Client.GetAsync("/"), await server.Client.GetAsync("/songs"));

        var policy = string.Join("; ", first.Headers.GetValues("Content-Security-Policy"));
        Assert.Contains("default-src 'none'", policy, StringComparison.Ordinal);
        // WebAssembly may be compiled (the decoder of FLAC); no text may become a script or a style.
        Assert.DoesNotContain("unsafe", policy.Replace("'wasm-unsafe-eval'", "", StringComparison.Ordinal), StringComparison.Ordinal);
        var nonce = (await first.Content.ReadAsStringAsync()).Split('"')[3];
        Assert.Contains($"'nonce-{nonce}'", policy, StringComparison.Ordinal);
        Assert.DoesNotContain(nonce, await second.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Api_AtAnAddressThatIsNone_AnswersWithProblemDetails()
    {
        var answer = await server.Client.GetAsync("/api/nothing");

        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        Assert.Equal("not-found", (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    private async Task Refused(HttpRequestMessage request, string code)
    {
        var answer = await server.Client.SendAsync(request);

        Assert.Equal(HttpStatusCode.Forbidden, answer.StatusCode);
        Assert.Equal(code, (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }
}
