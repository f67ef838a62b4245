using HomeStage.Core.Media;

namespace HomeStage.Formats.Sfz;

/// <summary>Where the samples of a kit's file are put, one after the other.</summary>
public interface ISampleTray
{
    /// <param name="path">In the upload.</param>
    /// <param name="wave">The file as it is; the tray may keep it.</param>
    /// <returns>The sound as pieces name it, or why it cannot be taken.</returns>
    FormatResult<MediaRef> Take(string path, byte[] wave);
}
