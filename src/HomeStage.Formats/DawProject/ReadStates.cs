using System.Xml.Linq;
using HomeStage.Core.Devices;

namespace HomeStage.Formats.DawProject;

/// <summary>States of plug-ins, as they lie in the project: carried, never read.</summary>
/// <param name="archive">Null where no file shall be read: then none has one.</param>
internal sealed class ReadStates(ProjectArchive? archive)
{
    private const long MostTogether = 128L * 1024 * 1024;
    private const int MarkLength = 8;

    private readonly Dictionary<string, DeviceState?> _known = new(StringComparer.Ordinal);
    private readonly List<(string FileName, byte[] File)> _files = [];

    /// <summary>The files of what was taken, with their names.</summary>
    public IReadOnlyList<(string FileName, byte[] File)> Files => _files;

    /// <returns>Null where a device has none, or one that is not in the project.</returns>
    public DeviceState? Of(XElement device)
    {
        if (device.Element("State") is not { } said || said.Text("path") is not { } path || said.Truth("external") == true)
            return null;
        if (_known.TryGetValue(path, out var known))
            return known;
        var room = MostTogether - _files.Sum(f => (long)f.File.Length);
        return _known[path] = archive?.Find(path, (int)Math.Min(DeviceState.MostBytes, room)) is { Length: > 0 } bytes ? Kept(path, bytes) : null;
    }

    private DeviceState Kept(string path, byte[] bytes)
    {
        var content = ProjectReader.Mark(bytes);
        var name = Path.GetFileName(path.Replace('\\', '/'));
        // Files of ours begin with a part of their mark.
        if (name.StartsWith($"{content[..MarkLength]}-", StringComparison.Ordinal))
            name = name[(MarkLength + 1)..];
        var cleaned = TextRules.Cleaned(name, TextRules.LongestName) is { Length: > 0 } said ? said : "State";
        _files.Add((cleaned, bytes));
        return new(content, cleaned, bytes.Length);
    }

    /// <returns>Where a state of ours lies in the file.</returns>
    public static string PathOf(DeviceState state) => $"plugins/{state.Content[..MarkLength]}-{Packages.SongPackage.FileName(Path.GetFileNameWithoutExtension(state.FileName))}{ExtensionOf(state)}";

    private static string ExtensionOf(DeviceState state) => Path.GetExtension(state.FileName) is { Length: > 1 and <= 12 } extension && extension.Skip(1).All(char.IsAsciiLetterOrDigit) ? extension.ToLowerInvariant() : "";
}
