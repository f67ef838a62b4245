using System.Diagnostics;

namespace HomeStage.Server.Tests.Unbroken;

/// <summary>A disk of a few kilobytes in memory, to be filled up. Only where the tests may mount one.</summary>
internal sealed class SmallDisk : IDisposable
{
    private SmallDisk(string path) => Path = path;

    public string Path { get; }

    /// <param name="size">As tmpfs takes it, with further options behind commas.</param>
    /// <remarks>Skips the test where nothing can be mounted here.</remarks>
    public static SmallDisk Mounted(string under, string size)
    {
        var path = Directory.CreateDirectory(System.IO.Path.Combine(under, "disk")).FullName;
        Assert.SkipUnless(Run("mount", "-t", "tmpfs", "-o", $"size={size}", "tmpfs", path), "No disk can be mounted here, so none is filled up.");
        return new(path);
    }

    public void Dispose() => Run("umount", "-l", Path);

    private static bool Run(string program, params string[] words)
    {
        try
        {
            using var process = Process.Start(new ProcessStartInfo(program, words) { RedirectStandardError = true, UseShellExecute = false })!;
            process.WaitForExit();
            return process.ExitCode == 0;
        }
        catch (System.ComponentModel.Win32Exception)
        {
            return false;
        }
    }
}
