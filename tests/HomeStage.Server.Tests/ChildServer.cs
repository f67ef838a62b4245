using System.Diagnostics;
using System.Text.RegularExpressions;

namespace HomeStage.Server.Tests;

/// <summary>The server as a process of its own, to be killed by its id.</summary>
internal sealed partial class ChildServer : IDisposable
{
    private readonly Process _process;

    private ChildServer(Process process, Uri address)
    {
        _process = process;
        Client = new() { BaseAddress = address, Timeout = TimeSpan.FromSeconds(20) };
    }

    public HttpClient Client { get; }

    public static ChildServer Start(string data)
    {
        var program = Path.Combine(AppContext.BaseDirectory, "HomeStage.Server.dll");
        var process = Process.Start(new ProcessStartInfo("dotnet", [program, "--port", "0", "--data", data, "--no-demo"])
        { RedirectStandardOutput = true, UseShellExecute = false })!;
        while (process.StandardOutput.ReadLine() is { } line)
            if (Address().Match(line) is { Success: true } match)
            {
                // What it says later must be read by somebody, or it would wait for us.
                _ = process.StandardOutput.ReadToEndAsync();
                return new(process, new(match.Value));
            }

        throw new InvalidOperationException($"The server ended with {process.ExitCode} before it said where it is.");
    }

    /// <summary>Ends the process at once, as a power cut would end it.</summary>
    public void Kill()
    {
        _process.Kill();
        _process.WaitForExit();
    }

    public void Dispose()
    {
        Client.Dispose();
        if (!_process.HasExited)
            Kill();
        _process.Dispose();
    }

    [GeneratedRegex(@"http://127\.0\.0\.1:\d+", RegexOptions.None, 1000)]
    private static partial Regex Address();
}
