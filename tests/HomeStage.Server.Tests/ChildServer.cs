using System.Diagnostics;
using System.Text.RegularExpressions;

namespace HomeStage.Server.Tests;

/// <summary>The server as a process of its own, to be stopped or killed by its id.</summary>
internal sealed partial class ChildServer : IDisposable
{
    private readonly Process _process;

    private ChildServer(Process process, Uri address)
    {
        _process = process;
        Client = new() { BaseAddress = address, Timeout = TimeSpan.FromSeconds(20) };
    }

    public HttpClient Client { get; }

    /// <summary>What the process holds of the machine's memory, in bytes.</summary>
    public long WorkingSet
    {
        get
        {
            _process.Refresh();
            return _process.WorkingSet64;
        }
    }

    public static ChildServer Start(string data, params string[] words)
    {
        var process = Run(data, words);
        while (process.StandardOutput.ReadLine() is { } line)
            if (Address().Match(line) is { Success: true } match)
            {
                // What it says later must be read by somebody, or it would wait for us.
                _ = process.StandardOutput.ReadToEndAsync();
                _ = process.StandardError.ReadToEndAsync();
                return new(process, new(match.Value));
            }

        process.WaitForExit();
        throw new InvalidOperationException($"The server ended with {process.ExitCode} before it said where it is: {process.StandardError.ReadToEnd()}");
    }

    /// <summary>Starts it and kills it after a while, wherever it is then.</summary>
    public static void StartAndKill(string data, TimeSpan after, params string[] words)
    {
        using var process = Run(data, words);
        Thread.Sleep(after);
        process.Kill();
        process.WaitForExit();
    }

    /// <summary>A start that is expected to end by itself.</summary>
    public static Ended Refused(string data, params string[] words)
    {
        using var process = Run(data, words);
        var (output, error) = (process.StandardOutput.ReadToEndAsync(), process.StandardError.ReadToEndAsync());
        if (!process.WaitForExit(TimeSpan.FromSeconds(30)))
        {
            process.Kill();
            throw new InvalidOperationException("The server goes on.");
        }

        return new(process.ExitCode, output.Result, error.Result);
    }

    /// <summary>Asks it to stop, as a terminal or a system would.</summary>
    /// <returns>How long that took.</returns>
    public TimeSpan Stop()
    {
        var watch = Stopwatch.StartNew();
        using var kill = Process.Start("kill", ["-TERM", $"{_process.Id}"]);
        _process.WaitForExit();
        return watch.Elapsed;
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

    private static Process Run(string data, string[] words)
    {
        var program = Path.Combine(AppContext.BaseDirectory, "HomeStage.Server.dll");
        string[] demo = words.Contains("--demo") ? [] : ["--no-demo"];
        string[] port = words.Contains("--port") ? [] : ["--port", "0"];
        var start = new ProcessStartInfo("dotnet", [program, "--data", data, .. port, .. demo, .. words.Where(w => w != "--demo")])
        { RedirectStandardOutput = true, RedirectStandardError = true, UseShellExecute = false };
        // It lives for seconds: half of its work would be to be compiled well for later. (Milliseconds, in hexadecimal digits.)
        start.Environment["DOTNET_TC_CallCountingDelayMs"] = "1000";
        return Process.Start(start)!;
    }

    [GeneratedRegex(@"http://127\.0\.0\.1:\d+", RegexOptions.None, 1000)]
    private static partial Regex Address();
}

/// <summary>How a start ended.</summary>
internal sealed record Ended(int Code, string Output, string Error);
