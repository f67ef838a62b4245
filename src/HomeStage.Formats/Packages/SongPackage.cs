using System.IO.Compression;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Midi;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.Packages;

/// <summary>Everything of a song in one ZIP: the same song gives the same bytes.</summary>
public static class SongPackage
{
    /// <param name="sound">The song's render, written with 24 bits.</param>
    /// <param name="countedIn">Whether the MIDI file holds what is counted, as the render does.</param>
    /// <param name="laid">The WAVE file of a sound that lies in the song, by its content; null for one that is not kept.</param>
    public static void Write(Template song, RenderedSound sound, Stream stream, bool countedIn = false, Func<string, byte[]?>? laid = null)
    {
        using var project = new MemoryStream();
        ProjectFile.Write(song, song.FinalAct.Id, laid ?? (_ => null), project);
        var name = FileName(song.Name);
        using var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true);
        zip.Add($"{name}.template.json", TemplateDocument.Write(song));
        zip.Add($"{name}{ProjectFile.Extension}", project.GetBuffer().AsSpan(0, (int)project.Length));
        zip.Add($"{name}.mid", MidiWriter.Write(song, countedIn));
        zip.Add($"{name}.wav", WaveWriter.Bytes(sound, WaveDepth.Int24).Span);
    }

    /// <returns>Letters, digits and single hyphens, 1 to 60 of them: nothing that a file system reads as more than a name.</returns>
    public static string FileName(string title)
    {
        var plain = title.Select(c => char.IsLetterOrDigit(c) ? char.ToLowerInvariant(c) : '-');
        var words = string.Concat(plain).Split('-', StringSplitOptions.RemoveEmptyEntries);
        var name = string.Join('-', words);
        return name.Length == 0 ? "song" : name[..Math.Min(60, name.Length)];
    }
}
