using System.Text;
using System.Text.Unicode;

namespace HomeStage.Formats;

/// <summary>Names of files in a ZIP that does not say how they are written: UTF-8 where they are that, as on most systems of today; else code page 437.</summary>
/// <remarks>PKWARE, APPNOTE.TXT, appendix D: without the language flag names are in code page 437. Many programs write UTF-8 there all the same.</remarks>
public sealed class ArchivedNames : Encoding
{
    public static readonly ArchivedNames Instance = new();

    private static readonly Encoding Older = CodePagesEncodingProvider.Instance.GetEncoding(437)!;

    private ArchivedNames()
    {
    }

    public override int GetCharCount(byte[] bytes, int index, int count) => Of(bytes.AsSpan(index, count)).GetCharCount(bytes, index, count);

    public override int GetChars(byte[] bytes, int byteIndex, int byteCount, char[] chars, int charIndex) => Of(bytes.AsSpan(byteIndex, byteCount)).GetChars(bytes, byteIndex, byteCount, chars, charIndex);

    public override int GetMaxCharCount(int byteCount) => UTF8.GetMaxCharCount(byteCount);

    public override int GetByteCount(char[] chars, int index, int count) => UTF8.GetByteCount(chars, index, count);

    public override int GetBytes(char[] chars, int charIndex, int charCount, byte[] bytes, int byteIndex) => UTF8.GetBytes(chars, charIndex, charCount, bytes, byteIndex);

    public override int GetMaxByteCount(int charCount) => UTF8.GetMaxByteCount(charCount);

    private static Encoding Of(ReadOnlySpan<byte> name) => Utf8.IsValid(name) ? UTF8 : Older;
}
