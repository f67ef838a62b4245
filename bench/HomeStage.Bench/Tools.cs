using System.Diagnostics;

namespace HomeStage.Bench;

/// <summary>General-purpose programs, timed as processes.</summary>
internal static class Tools
{
    public static double FfmpegSeconds(int runs, string file, string filter) => Medians.Seconds(runs, () =>
        Run("ffmpeg", ["-hide_banner", "-nostats", "-loglevel", "error", "-i", file, "-af", filter, "-f", "null", "-"]));

    public static double SoxSeconds(int runs, string file, params string[] effects) => Medians.Seconds(runs, () =>
        Run("sox", ["-V0", file, "-n", .. effects]));

    /// <returns>Whether the package is there now.</returns>
    public static bool Install(string package)
    {
        Console.WriteLine($"Installing {package} for the comparison");
        try
        {
            Run("apt-get", ["update", "-qq"]);
            Run("apt-get", ["install", "-y", "-qq", "--no-install-recommends", package]);
            return true;
        }
        catch (Exception failed) when (failed is InvalidOperationException or System.ComponentModel.Win32Exception)
        {
            Console.WriteLine($"Could not install {package}: {failed.Message}");
            return false;
        }
    }

    private static void Run(string program, string[] arguments)
    {
        using var process = Process.Start(new ProcessStartInfo(program, arguments) { UseShellExecute = false })!;
        process.WaitForExit();
        if (process.ExitCode != 0)
            throw new InvalidOperationException($"{program} ended with {process.ExitCode}.");
    }
}
