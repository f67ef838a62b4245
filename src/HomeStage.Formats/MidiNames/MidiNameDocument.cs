using System.Globalization;
using System.Text;
using System.Xml;
using HomeStage.Core.Kits;

namespace HomeStage.Formats.MidiNames;

/// <summary>Note names of a kit as the MIDI association's XML has them.</summary>
/// <remarks>Elements from memory: MIDINameDocument, MasterDeviceNames, NoteNameList, NoteGroup, Note with Number and Name. A
/// group's name is taken for a family, and families are written as groups.</remarks>
public static class MidiNameDocument
{
    public const int MostBytes = 4 * 1024 * 1024;

    /// <summary>A note with its name.</summary>
    /// <param name="Group">Empty for none.</param>
    public sealed record NamedNote(int Note, string Name, string Group);

    /// <returns>The notes of the list that has most of them.</returns>
    public static FormatResult<IReadOnlyList<NamedNote>> Read(byte[] xml)
    {
        if (xml.Length > MostBytes)
            return Refused("too-large", $"A MIDI name document may have {MostBytes / 1024 / 1024} MB.");
        try
        {
            // Such files name a document type; nothing is fetched for it and nothing in it is expanded.
            using var reader = XmlReader.Create(new MemoryStream(xml, writable: false), new()
            { DtdProcessing = DtdProcessing.Ignore, XmlResolver = null, MaxCharactersFromEntities = 1024, MaxCharactersInDocument = MostBytes, IgnoreComments = true });
            return ReadLists(reader);
        }
        catch (XmlException e)
        {
            return Refused("damaged", $"This is not whole XML: something is wrong near line {e.LineNumber}.");
        }
    }

    public static byte[] Write(string name, Kit kit)
    {
        using var stream = new MemoryStream();
        using (var writer = XmlWriter.Create(stream, new() { Indent = true, NewLineChars = "\n", Encoding = new UTF8Encoding(false) }))
        {
            writer.WriteStartElement("MIDINameDocument");
            writer.WriteElementString("Author", "Home Stage");
            writer.WriteStartElement("MasterDeviceNames");
            writer.WriteElementString("Manufacturer", "Home Stage");
            writer.WriteElementString("Model", Clean(name));
            writer.WriteStartElement("ChannelNameSet");
            writer.WriteAttributeString("Name", Clean(name));
            writer.WriteStartElement("NoteNameList");
            writer.WriteAttributeString("Name", Clean(name));
            foreach (var family in kit.Pieces.GroupBy(p => p.Family, StringComparer.Ordinal))
            {
                writer.WriteStartElement("NoteGroup");
                writer.WriteAttributeString("Name", Clean(family.Key));
                foreach (var piece in family)
                {
                    writer.WriteStartElement("Note");
                    writer.WriteAttributeString("Number", piece.Note.ToString(CultureInfo.InvariantCulture));
                    writer.WriteAttributeString("Name", Clean(piece.Name));
                    writer.WriteEndElement();
                }

                writer.WriteEndElement();
            }

            writer.WriteEndElement();
            writer.WriteEndElement();
            writer.WriteEndElement();
            writer.WriteEndElement();
        }

        return stream.ToArray();
    }

    private static FormatResult<IReadOnlyList<NamedNote>> ReadLists(XmlReader reader)
    {
        var lists = new List<List<NamedNote>>();
        var (group, rootIsKnown) = ("", false);
        while (reader.Read())
        {
            if (reader.NodeType == XmlNodeType.EndElement && reader.LocalName == "NoteGroup")
                group = "";
            if (reader.NodeType != XmlNodeType.Element)
                continue;
            rootIsKnown |= reader is { Depth: 0, LocalName: "MIDINameDocument" };
            if (reader.LocalName == "NoteNameList")
                lists.Add([]);
            else if (reader.LocalName == "NoteGroup" && !reader.IsEmptyElement)
                group = Clean(reader.GetAttribute("Name"));
            else if (reader.LocalName == "Note" && lists.Count > 0 && NoteOf(reader, group) is { } note && lists[^1].TrueForAll(n => n.Note != note.Note))
                lists[^1].Add(note);
        }

        if (!rootIsKnown)
            return Refused("not-names", "This is XML, but not a MIDI name document.");
        return lists.MaxBy(l => l.Count) is { Count: > 0 } longest
            ? new FormatResult<IReadOnlyList<NamedNote>>.Read(longest)
            : Refused("no-notes", "The document names no notes.");
    }

    private static NamedNote? NoteOf(XmlReader reader, string group) =>
        int.TryParse(reader.GetAttribute("Number"), NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number <= 127 && Clean(reader.GetAttribute("Name")) is { Length: > 0 } name
            ? new(number, name, group)
            : null;

    private static string Clean(string? text) => TextRules.Cleaned(text, TextRules.LongestName);

    private static FormatResult<IReadOnlyList<NamedNote>>.Refused Refused(string code, string sentence) => new(code, sentence);
}
