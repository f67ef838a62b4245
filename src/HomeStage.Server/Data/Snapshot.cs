using System.IO.Compression;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.Documents;

namespace HomeStage.Server.Data;

/// <summary>A template document, compressed.</summary>
internal static class Snapshot
{
    public static byte[] Pack(Template template)
    {
        using var packed = new MemoryStream();
        using (var brotli = new BrotliStream(packed, CompressionLevel.Fastest))
            brotli.Write(TemplateDocument.Write(template));
        return packed.ToArray();
    }

    /// <exception cref="InvalidDataException">The content is not what was packed.</exception>
    public static Template Unpack(byte[] content)
    {
        using var brotli = new BrotliStream(new MemoryStream(content), CompressionMode.Decompress);
        using var plain = new MemoryStream();
        brotli.CopyTo(plain);
        return TemplateDocument.Read(plain.ToArray()) switch
        {
            FormatResult<Template>.Read read => read.Value,
            FormatResult<Template>.Refused refused => throw new InvalidDataException(refused.Sentence),
            _ => throw new InvalidDataException("A snapshot could not be read."),
        };
    }
}
