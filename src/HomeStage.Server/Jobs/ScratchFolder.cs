namespace HomeStage.Server.Jobs;

/// <summary>Where large files lie for a while: stems and packages until they are taken, projects while they are read, the sound of a line check; what an earlier run has left there goes.</summary>
public sealed class ScratchFolder
{
    private readonly string _path;

    public ScratchFolder(string path)
    {
        _path = path;
        if (Directory.Exists(path))
            Directory.Delete(path, recursive: true);
    }

    /// <returns>A folder of its own that is not there yet.</returns>
    public string Fresh() => Path.Combine(Directory.CreateDirectory(_path).FullName, Guid.NewGuid().ToString("N"));

    /// <returns>A file that goes with its handle.</returns>
    public FileStream NewFile() => new($"{Fresh()}.zip", FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None, 128 * 1024, FileOptions.DeleteOnClose);
}
