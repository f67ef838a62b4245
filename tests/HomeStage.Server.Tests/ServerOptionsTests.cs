using HomeStage.Server.Hosting;

namespace HomeStage.Server.Tests;

public class ServerOptionsTests
{
    [Fact]
    public void Parse_NoWords_ServesTheDemoFromTheDataFolderBesideIt()
    {
        var options = ServerOptions.Parse([]);

        Assert.True(options.Demo);
        Assert.Equal(Path.GetFullPath("data"), options.DataFolder);
    }

    [Fact]
    public void Parse_EveryWord_IsTaken()
    {
        var options = ServerOptions.Parse(["--port", "0", "--data", "/somewhere", "--web", "/elsewhere", "--no-demo", "--write-openapi", "api.json"]);

        Assert.Equal(new ServerOptions(0, "/somewhere", "/elsewhere", false, "api.json"), options);
    }

    [Theory]
    [InlineData("--port")]
    [InlineData("--port", "many")]
    [InlineData("--port", "70000")]
    [InlineData("--sparkle")]
    public void Parse_WordsThatAreOff_SaysSo(params string[] words)
    {
        Assert.Contains(words[^1], Assert.Throws<FormatException>(() => ServerOptions.Parse(words)).Message, StringComparison.Ordinal);
    }
}
