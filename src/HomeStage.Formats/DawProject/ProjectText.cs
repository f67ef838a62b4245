using System.Xml;

namespace HomeStage.Formats.DawProject;

/// <summary>Text that XML can hold: control characters that it forbids are left out.</summary>
internal static class ProjectText
{
    public static string Of(string text) => text.All(c => XmlConvert.IsXmlChar(c) || char.IsSurrogate(c)) ? text : string.Concat(text.Where(c => XmlConvert.IsXmlChar(c) || char.IsSurrogate(c)));
}
