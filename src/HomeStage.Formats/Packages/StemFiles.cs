using System.IO.Compression;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.Packages;

/// <summary>Takes stems into WAVE files in a folder of their own, and puts them into one ZIP when all is rendered. The folder goes with it.</summary>
public sealed class StemFiles : IStemSink, IDisposable
{
    private const string CountName = "00-count-in.wav";

    private readonly string _folder;
    private readonly IReadOnlyList<string> _names;
    private readonly WaveDepth _depth;
    private readonly List<(string Channel, GrowingWave Wave)> _waves = [];
    private readonly List<CutSound> _cut = [];

    /// <param name="folder">Made here; must not be there yet.</param>
    /// <param name="count">The count before the song, and how long it is: then each stem begins with so much silence, and the clicks are a file of their own. Null for none.</param>
    public StemFiles(Template template, IReadOnlyList<Stem> stems, WaveDepth depth, string folder, (RenderedSound Clicks, int LeadFrames)? count = null)
    {
        (_folder, _names, _depth) = (Directory.CreateDirectory(folder).FullName, Names(template, stems), depth);
        foreach (var (name, stem) in _names.Zip(stems))
        {
            var wave = new GrowingWave(new FileStream(Path.Combine(_folder, name), FileMode.CreateNew), template.SampleRateHz, stem.Lanes(template), depth);
            _waves.Add((template.Channels[stem.Channel].Name, wave));
            var silence = new float[count?.LeadFrames ?? 0];
            wave.Add(silence, stem.Lanes(template) == 1 ? [] : silence);
        }

        if (count is not { Clicks: var clicks })
            return;
        _names = [.. _names, CountName];
        using var counted = new GrowingWave(new FileStream(Path.Combine(_folder, CountName), FileMode.CreateNew), template.SampleRateHz, 2, depth);
        counted.Add(clicks.Left, clicks.Right);
    }

    /// <summary>Those that went over full scale in a file that holds no more, by the names of their channels; once the files are ended.</summary>
    public IReadOnlyList<CutSound> Cut => _cut;

    /// <returns>"03-low-end.wav": numbered in the order in which they are asked for, so that they stand in it everywhere; dry ones say so.</returns>
    public static IReadOnlyList<string> Names(Template template, IReadOnlyList<Stem> stems) =>
        [.. stems.Select((s, i) => FormattableString.Invariant($"{i + 1:00}-{SongPackage.FileName(template.Channels[s.Channel].Name)}{(s.Point == StemPoint.Input ? "-dry" : "")}.wav"))];

    /// <returns>How many bytes the sound of stems takes.</returns>
    public static long Bytes(Template template, IEnumerable<Stem> stems, WaveDepth depth, double seconds) =>
        (long)Math.Round(seconds * template.SampleRateHz) * GrowingWave.BytesALane(depth) * stems.Sum(s => s.Lanes(template));

    public void Take(int stem, ReadOnlySpan<float> left, ReadOnlySpan<float> right) => _waves[stem].Wave.Add(left, right);

    /// <summary>Ends the files.</summary>
    /// <returns>By name where each lies, in the order in which they were asked for; until this goes.</returns>
    public IReadOnlyList<(string Name, string Path)> Ended()
    {
        Close();
        return [.. _names.Select(n => (n, Path.Combine(_folder, n)))];
    }

    /// <summary>Ends the files and puts them into a ZIP, stored as they are: sound hardly packs.</summary>
    public void Zip(Stream stream, CancellationToken cancellation = default)
    {
        using var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true);
        foreach (var (name, path) in Ended())
        {
            cancellation.ThrowIfCancellationRequested();
            using var to = zip.Open(name, CompressionLevel.NoCompression);
            using var from = File.OpenRead(path);
            from.CopyTo(to);
        }
    }

    public void Dispose()
    {
        Close();
        if (Directory.Exists(_folder))
            Directory.Delete(_folder, recursive: true);
    }

    private void Close()
    {
        foreach (var (channel, wave) in _waves)
        {
            wave.Dispose();
            if (CutSound.Of(channel, wave.Peak, _depth) is { } cut)
                _cut.Add(cut);
        }

        _waves.Clear();
    }
}
