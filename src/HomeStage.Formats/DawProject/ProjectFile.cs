using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Xml;
using System.Xml.Linq;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Packages;

namespace HomeStage.Formats.DawProject;

/// <summary>A template or song as a DAWproject 1.0 file: a ZIP of project.xml, metadata.xml and its sounds, and beside them our own document, which holds what the format cannot say.</summary>
/// <remarks>The open format's names and units are from memory; no workstation has opened such a file yet. The same template gives the same bytes.</remarks>
public static class ProjectFile
{
    public const string Extension = ".dawproject";

    /// <summary>Where our own document lies in the file.</summary>
    public const string OwnDocument = "home-stage/template.json";

    /// <summary>Where the project's own mark lies, by which one that was altered elsewhere is known.</summary>
    public const string OwnMark = "home-stage/project.sha256";

    /// <summary>Where it is told of what the project was made, by which one that comes back is known.</summary>
    public const string OwnOrigin = "home-stage/origin.json";

    private static readonly XmlWriterSettings Written = new() { Encoding = new UTF8Encoding(encoderShouldEmitUTF8Identifier: false), Indent = true, NewLineChars = "\n" };

    /// <param name="act">What rests in it is written as not loaded, what is parked in it as switched off.</param>
    /// <param name="kept">The WAVE file of a sound, or the file of a device's state, by its content; null where it is not kept here.</param>
    /// <param name="origin">Of what it is made; null where nobody shall know it again.</param>
    /// <exception cref="ArgumentException">The template has no such act.</exception>
    public static void Write(Template template, string act, Func<string, byte[]?> kept, Stream stream, ProjectOrigin? origin = null)
    {
        if (template.Acts.All(a => a.Id != act))
            throw new ArgumentException($"{template.Name} has no act {act}.", nameof(act));
        using var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true);
        var paths = new Dictionary<string, string>();
        var files = new List<(string Path, byte[] Bytes)>();
        foreach (var used in template.Channels.SelectMany(c => c.Starters).Select(s => s.Sound).DistinctBy(s => s.Content).OrderBy(s => s.Content, StringComparer.Ordinal))
            if (kept(used.Content) is { } bytes)
            {
                paths[used.Content] = PathOf(used);
                files.Add((paths[used.Content], bytes));
            }

        foreach (var state in HeldDevice.Of(template).Select(d => d.Device.State).OfType<Core.Devices.DeviceState>().DistinctBy(s => s.Content).OrderBy(s => s.Content, StringComparer.Ordinal))
            if (kept(state.Content) is { } bytes)
            {
                paths[state.Content] = ReadStates.PathOf(state);
                files.Add((paths[state.Content], bytes));
            }

        var project = Bytes(ProjectTree.Of(template, act, paths));
        zip.Add("project.xml", project);
        zip.Add("metadata.xml", Bytes(new(new XElement("MetaData", new XElement("Title", ProjectText.Of(template.Name)), template.Note.Length == 0 ? null : new XElement("Comment", ProjectText.Of(template.Note))))));
        zip.Add(OwnDocument, TemplateDocument.Write(template));
        zip.Add(OwnMark, Encoding.ASCII.GetBytes(ProjectReader.Mark(project)));
        if (origin is not null)
            zip.Add(OwnOrigin, JsonSerializer.SerializeToUtf8Bytes(origin, DocumentJson.Options));
        foreach (var (path, bytes) in files)
            zip.Add(path, bytes);
    }

    /// <returns>Where a sound lies in the file: its title, and enough of its content to tell it from others.</returns>
    internal static string PathOf(MediaRef sound) => $"audio/{SongPackage.FileName(sound.Title)}-{sound.Content[..8]}.wav";

    private static byte[] Bytes(XDocument document)
    {
        using var memory = new MemoryStream();
        using (var writer = XmlWriter.Create(memory, Written))
            document.Save(writer);
        return memory.ToArray();
    }
}
