using HomeStage.Core.Media;

namespace HomeStage.Formats.Sfz;

/// <summary>The samples that an SFZ names, taken out of the upload one at a time, each once.</summary>
/// <param name="folder">That of the SFZ file.</param>
/// <param name="defaultPath">What stands before every name of a sample.</param>
internal sealed class SfzSamples(SfzArchive archive, string folder, string defaultPath, ISampleTray tray, LeftOut leftOut)
{
    private readonly Dictionary<string, MediaRef?> _taken = new(StringComparer.OrdinalIgnoreCase);

    /// <returns>Null where it is not there or cannot be read, which is said.</returns>
    public MediaRef? Of(string path)
    {
        if (SfzArchive.Resolved(folder, defaultPath + path) is not { } resolved || !archive.Contains(resolved))
        {
            leftOut.Add($"{path}, which is not in the upload");
            return null;
        }

        if (!_taken.TryGetValue(resolved, out var known))
            _taken[resolved] = known = Take(resolved);
        return known;
    }

    private MediaRef? Take(string path) => tray.Take(path, archive.Bytes(path, Wave.WaveReader.MostBytes)!).Match<MediaRef?>(
        sound => sound,
        wrong =>
        {
            leftOut.Add($"{path}: {wrong.Sentence}");
            return null;
        });
}
