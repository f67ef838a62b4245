using System.Net;
using System.Text;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>What every answer carries, and what is let in under which name and method.</summary>
public class DoorTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Theory]
    [InlineData("GET", "/")]
    [InlineData("GET", "/index.html")]
    [InlineData("GET", "/INDEX.HTML")]
    [InlineData("GET", "/songs")]
    [InlineData("GET", "/api/templates")]
    [InlineData("GET", "/api/nothing")]
    [InlineData("GET", "/nothing.js")]
    [InlineData("PUT", "/api/templates")]
    [InlineData("POST", "/songs")]
    [InlineData("POST", "/api/templates")]
    [InlineData("GET", "/api/roles/of")]
    [InlineData("GET", "/openapi/v1.json")]
    public async Task EveryAnswer_CarriesTheSafetyHeaders(string method, string path)
    {
        using var answer = await server.Client.SendAsync(new(new(method), path));

        AssertSafe(answer);
    }

    [Fact]
    public async Task Refusals_OfTheGate_CarryTheSafetyHeadersToo()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/health") { Headers = { Host = "stage.example" } };

        AssertSafe(await server.Client.SendAsync(request));
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/index.html")]
    [InlineData("/Index.html")]
    public async Task Page_UnderEveryName_HasThePolicyWithItsNonce_AndIsNotKept(string path)
    {
        using var answer = await server.Client.GetAsync(path);

        Assert.Equal("text/html", answer.Content.Headers.ContentType!.MediaType);
        Assert.Contains("'nonce-", string.Join(' ', answer.Headers.GetValues("Content-Security-Policy")), StringComparison.Ordinal);
        Assert.DoesNotContain("__NONCE__", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.True(answer.Headers.CacheControl!.NoStore);
    }

    [Theory]
    [InlineData("/API/templates")]
    [InlineData("/Api/Templates")]
    public async Task Api_InAnyCase_IsJudgedAlike(string path)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, path);
        request.Headers.Add("Sec-Fetch-Site", "cross-site");
        Assert.Equal(HttpStatusCode.Forbidden, (await server.Client.SendAsync(request)).StatusCode);

        using var own = await server.Client.GetAsync(path);
        Assert.True(own.Headers.CacheControl!.NoStore);
    }

    [Theory]
    [InlineData("PUT", "/api/templates", "GET, POST")]
    [InlineData("PATCH", "/api/health", "GET")]
    [InlineData("DELETE", "/api/catalogue", "GET")]
    [InlineData("POST", "/songs", "GET, HEAD")]
    [InlineData("DELETE", "/index.html", "GET, HEAD")]
    public async Task WrongMethods_AreRefusedAs405_AndToldTheRightOnes(string method, string path, string allowed)
    {
        using var answer = await server.Client.SendAsync(new(new(method), path));

        Assert.Equal(HttpStatusCode.MethodNotAllowed, answer.StatusCode);
        Assert.Equal(allowed, string.Join(", ", answer.Content.Headers.Allow.Order()));
        Assert.Equal("wrong-method", (await RunningServer.JsonOf(answer))["code"]!.ToString());
    }

    [Fact]
    public async Task Body_InChunksThatClaimToBeEndless_IsRefused()
    {
        using var socket = new System.Net.Sockets.TcpClient();
        await socket.ConnectAsync(IPAddress.Loopback, server.Client.BaseAddress!.Port);
        var stream = socket.GetStream();
        await stream.WriteAsync(Encoding.ASCII.GetBytes(
            $"POST /api/templates HTTP/1.1\r\nHost: 127.0.0.1:{server.Client.BaseAddress.Port}\r\nContent-Type: application/json\r\nTransfer-Encoding: chunked\r\n\r\n7fffffffffffffff\r\n"));
        using var reader = new StreamReader(stream);

        var status = await reader.ReadLineAsync().WaitAsync(TimeSpan.FromSeconds(10));

        Assert.Matches("^HTTP/1.1 4[0-9][0-9] ", status);
    }

    private static void AssertSafe(HttpResponseMessage answer)
    {
        string Header(string name) => answer.Headers.TryGetValues(name, out var values) ? string.Join(", ", values) : "";
        Assert.Equal(("nosniff", "no-referrer", "same-origin", "same-origin"),
            (Header("X-Content-Type-Options"), Header("Referrer-Policy"), Header("Cross-Origin-Resource-Policy"), Header("Cross-Origin-Opener-Policy")));
        Assert.Contains("default-src 'none'", Header("Content-Security-Policy"), StringComparison.Ordinal);
        Assert.Contains("frame-ancestors 'none'", Header("Content-Security-Policy"), StringComparison.Ordinal);
        Assert.True(answer.Headers.CacheControl is { NoStore: true }, "The answer may be kept.");
        Assert.Equal("", Header("Server"));
    }
}
