namespace HomeStage.Core.Devices;

/// <summary>A file that a device knows how to read: its state, or a preset. It is carried as it is, and kept once by its content.</summary>
/// <param name="Content">SHA-256 of the file, 64 hexadecimal digits in lower case.</param>
/// <param name="FileName">1 to 80 characters.</param>
/// <param name="Bytes">In [1, 16,777,216].</param>
public sealed record DeviceState(string Content, string FileName, int Bytes)
{
    public const int MostBytes = 16 * 1024 * 1024;
}
