using System.IO.Compression;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.Documents;

namespace HomeStage.Server.Data;

/// <summary>A template document, compressed.</summary>
internal static class Snapshot
{
    public static SnapshotRow RowOf(string document, int number, Template template)
    {
        var content = Pack(template);
        return new() { DocumentId = document, Number = number, Content = content, Digest = Digest.Of(document, number, content) };
    }

    public static byte[] Pack(Template template)
    {
        using var packed = new MemoryStream();
        using (var brotli = new BrotliStream(packed, CompressionLevel.Fastest))
            brotli.Write(TemplateDocument.WriteCompact(template));
        return packed.ToArray();
    }

    /// <summary>The document as text.</summary>
    /// <exception cref="InvalidDataException">The content is not what was packed.</exception>
    public static byte[] Plain(byte[] content)
    {
        using var brotli = new BrotliStream(new MemoryStream(content), CompressionMode.Decompress);
        using var plain = new MemoryStream();
        try
        {
            brotli.CopyTo(plain);
        }
        catch (InvalidOperationException e)
        {
            throw new InvalidDataException("A snapshot cannot be unpacked.", e);
        }

        return plain.ToArray();
    }

    /// <exception cref="InvalidDataException">It was refused.</exception>
    public static Template Read(FormatResult<Template> result) =>
        result.Match(template => template, wrong => throw new InvalidDataException(wrong.Sentence));
}
