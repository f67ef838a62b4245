using HomeStage.Core.Media;
using HomeStage.Formats.Sfz;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.Tests.Sfz;

/// <summary>Takes every sample that can be read, and names it by its path.</summary>
internal sealed class PathTray : ISampleTray
{
    public List<string> Taken { get; } = [];

    public FormatResult<MediaRef> Take(string path, byte[] wave)
    {
        if (WaveReader.ReadFacts(wave) is FormatResult<WaveFacts>.Refused refused)
            return new FormatResult<MediaRef>.Refused(refused.Code, refused.Sentence);
        Taken.Add(path);
        return new FormatResult<MediaRef>.Read(new(new('0', 64), path, 48000, 1, 1));
    }
}
