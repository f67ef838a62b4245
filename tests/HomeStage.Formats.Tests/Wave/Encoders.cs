using System.Diagnostics;

namespace HomeStage.Formats.Tests.Wave;

/// <summary>Files as other programs write them, in a folder of their own.</summary>
public sealed class Encoders : IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("home-stage-encoded-");

    public void Dispose() => _folder.Delete(recursive: true);

    public string PathOf(string name) => Path.Combine(_folder.FullName, name);

    /// <param name="encoder">ffmpeg or sox.</param>
    /// <param name="arguments">Those before the name of the file.</param>
    /// <param name="effects">Those after it.</param>
    public byte[] Encoded(string encoder, string arguments, string name, string effects = "")
    {
        var quiet = encoder == "ffmpeg" ? "-v error -y " : "-V1 ";
        using var process = Process.Start(new ProcessStartInfo(encoder, $"{quiet}{arguments} {PathOf(name)} {effects}") { RedirectStandardError = true, UseShellExecute = false })!;
        var said = process.StandardError.ReadToEnd();
        process.WaitForExit();
        Assert.True(process.ExitCode == 0, said);
        return File.ReadAllBytes(PathOf(name));
    }
}
