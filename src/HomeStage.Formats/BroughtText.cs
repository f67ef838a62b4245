using System.Text;
using System.Text.Unicode;

namespace HomeStage.Formats;

/// <summary>Text as somebody brings it, whatever wrote it: UTF-8 with or without a mark, UTF-16 by its mark, else code page 1252, as spreadsheets and older programs on Windows write it.</summary>
public static class BroughtText
{
    private static readonly Encoding Older = CodePagesEncodingProvider.Instance.GetEncoding(1252)!;

    /// <returns>Without a mark; null for what is no text, as it holds zeros.</returns>
    public static string? Of(ReadOnlySpan<byte> bytes) =>
        (EncodingOf(bytes).GetString(bytes) is var text && text.Contains('\0', StringComparison.Ordinal)) ? null : text.TrimStart('\uFEFF');

    private static Encoding EncodingOf(ReadOnlySpan<byte> bytes) => bytes switch
    {
        [0xFF, 0xFE, ..] => Encoding.Unicode,
        [0xFE, 0xFF, ..] => Encoding.BigEndianUnicode,
        _ => Utf8.IsValid(bytes) ? Encoding.UTF8 : Older,
    };
}
