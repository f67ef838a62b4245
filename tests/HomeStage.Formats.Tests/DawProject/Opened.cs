using System.IO.Compression;
using System.Xml;
using System.Xml.Linq;
using System.Xml.Schema;
using HomeStage.Core.Templates;
using HomeStage.Formats.DawProject;

namespace HomeStage.Formats.Tests.DawProject;

/// <summary>A project as it was written, opened by the libraries of the platform.</summary>
internal sealed class Opened
{
    private static readonly Lazy<XmlSchemaSet> Schema = new(Read);

    public Opened(Template template, string act = "mix", Func<string, byte[]?>? sound = null)
    {
        using var memory = new MemoryStream();
        ProjectFile.Write(template, act, sound ?? (_ => null), memory);
        Bytes = memory.ToArray();
        using var zip = new ZipArchive(new MemoryStream(Bytes));
        foreach (var entry in zip.Entries)
        {
            using var stream = entry.Open();
            using var copy = new MemoryStream();
            stream.CopyTo(copy);
            Entries[entry.FullName] = copy.ToArray();
        }

        Project = XDocument.Load(new MemoryStream(Entries["project.xml"])).Root!;
    }

    public byte[] Bytes { get; }

    public Dictionary<string, byte[]> Entries { get; } = [];

    public XElement Project { get; }

    /// <returns>What the schema says against it.</returns>
    public IReadOnlyList<string> Faults()
    {
        var faults = new List<string>();
        new XDocument(Project).Validate(Schema.Value, (_, e) => faults.Add(e.Message));
        return faults;
    }

    /// <param name="channel">Its id in the template.</param>
    public XElement Track(string channel) => ById($"track.{channel}");

    public XElement Channel(string channel) => ById($"channel.{channel}");

    public double Value(string id) => (double)ById(id).Attribute("value")!;

    public XElement ById(string id) => Project.Descendants().Single(e => (string?)e.Attribute("id") == id);

    public static string SchemaPath { get; } = Path.Combine(AppContext.BaseDirectory, "DawProject", "project.xsd");

    private static XmlSchemaSet Read()
    {
        var set = new XmlSchemaSet();
        using var reader = XmlReader.Create(SchemaPath);
        set.Add(null, reader);
        set.Compile();
        return set;
    }
}
