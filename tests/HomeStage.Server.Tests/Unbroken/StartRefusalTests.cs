using System.Net;
using System.Net.Sockets;
using HomeStage.Server.Starting;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>A start that cannot be ends with a sentence and a code, whatever is in its way.</summary>
public sealed class StartRefusalTests : IDisposable
{
    private readonly DataFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Fact]
    public async Task SecondStart_OnTheSameFolder_SaysWhoHoldsIt_AndTheFirstGoesOn()
    {
        using var first = ChildServer.Start(_folder.Path);

        var second = ChildServer.Refused(_folder.Path);

        AssertSaid(second, ExitCode.FolderHeld, first.Client.BaseAddress!.ToString().TrimEnd('/'));
        Assert.True((await first.Client.GetAsync("/api/health")).IsSuccessStatusCode);
    }

    [Fact]
    public async Task Start_AfterAKill_TakesTheFolderThatTheKilledOneHeld()
    {
        using (var first = ChildServer.Start(_folder.Path))
            first.Kill();

        using var second = ChildServer.Start(_folder.Path);

        Assert.True((await second.Client.GetAsync("/api/health")).IsSuccessStatusCode);
    }

    [Fact]
    public void Start_OnAPortThatIsTaken_SaysSo()
    {
        using var other = new TcpListener(IPAddress.Loopback, 0);
        other.Start();
        var port = ((IPEndPoint)other.LocalEndpoint).Port;

        AssertSaid(ChildServer.Refused(_folder.Path, "--port", $"{port}"), ExitCode.PortTaken, $"{port}");
    }

    [Fact]
    public void Start_OnAFolderThatIsAFile_SaysSo()
    {
        var file = Path.Combine(_folder.Path, "a-file");
        File.WriteAllText(file, "");

        AssertSaid(ChildServer.Refused(file), ExitCode.FolderUnusable, file);
    }

    [Fact]
    public void Start_OnADamagedDatabase_SaysSo()
    {
        File.WriteAllText(_folder.Database, string.Concat(Enumerable.Repeat("no database at all ", 400)));

        AssertSaid(ChildServer.Refused(_folder.Path), ExitCode.DatabaseDamaged, _folder.Path);
    }

    [Fact]
    public void Start_OnADiskThatIsFull_SaysSo()
    {
        using var disk = SmallDisk.Mounted(_folder.Path, "64k");

        AssertSaid(ChildServer.Refused(disk.Path, "--demo"), ExitCode.DiskFull, disk.Path);
    }

    [Fact]
    public void Start_OnADiskThatIsReadOnly_SaysSo()
    {
        using var disk = SmallDisk.Mounted(_folder.Path, "1m,ro");

        AssertSaid(ChildServer.Refused(disk.Path), ExitCode.FolderUnusable, disk.Path);
    }

    [Fact]
    public void Start_WithAWordThatIsNotKnown_SaysSo() => AssertSaid(ChildServer.Refused(_folder.Path, "--sparkle"), ExitCode.BadWords, "--sparkle");

    private static void AssertSaid(Ended ended, ExitCode code, string words)
    {
        Assert.Equal((int)code, ended.Code);
        Assert.Contains(words, ended.Error, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", ended.Error + ended.Output, StringComparison.Ordinal);
        Assert.Single(ended.Error.Trim().Split('\n'));
    }
}
