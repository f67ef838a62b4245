using System.Globalization;

namespace HomeStage.Server.Starting;

/// <summary>Keeps a data folder to one server.</summary>
/// <remarks>The system itself gives the lock up when its holder ends, however it ends; so a lock that is there has a holder.</remarks>
public sealed class FolderHold : IDisposable
{
    private const string LockName = "in-use.lock";
    private const string HolderName = "in-use.txt";

    private readonly FileStream _lock;
    private readonly string _holder;

    private FolderHold(FileStream held, string holder) => (_lock, _holder) = (held, holder);

    /// <summary>Makes the folder where it is not there, and takes it.</summary>
    /// <exception cref="StartFault">It is held, is none, or cannot be written.</exception>
    public static FolderHold Take(string folder)
    {
        try
        {
            Directory.CreateDirectory(folder);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw new StartFault(ExitCode.FolderUnusable, $"{folder} cannot be the data folder: {StorageFaults.Plain(e)}", e);
        }

        var holder = Path.Combine(folder, HolderName);
        FileStream held;
        try
        {
            held = new(Path.Combine(folder, LockName), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None, bufferSize: 1);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            throw IsHeld(e)
                ? new StartFault(ExitCode.FolderHeld, $"Home Stage already works on {folder}: {Holder(holder)}. Use that one, or stop it first.", e)
                : StartFault.Of(e, folder)!;
        }

        var hold = new FolderHold(held, holder);
        hold.Write("which is just starting");
        return hold;
    }

    /// <summary>Leaves word for whoever comes second.</summary>
    public void Say(string address) => Write($"at {address}");

    public void Dispose()
    {
        try
        {
            File.Delete(_holder);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // What it says is stale from here on, and the next holder writes it anew.
        }

        _lock.Dispose();
    }

    private void Write(string what)
    {
        try
        {
            File.WriteAllText(_holder, string.Create(CultureInfo.InvariantCulture, $"process {Environment.ProcessId}, {what}"));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // Lost word is no fault: the lock is what counts.
            return;
        }
    }

    // EWOULDBLOCK and the sharing violation of other systems.
    private static bool IsHeld(Exception e) => e is IOException && ((e.HResult & 0xFFFF) is 11 or 35 or 32 || e.Message.Contains("another process", StringComparison.Ordinal));

    private static string Holder(string file)
    {
        try
        {
            return File.ReadAllText(file);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return "a server that is just starting";
        }
    }
}
