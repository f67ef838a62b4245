using System.Globalization;
using System.Security.Cryptography;
using System.Text;

namespace HomeStage.Server.Data;

/// <summary>What stored entries are told from damaged ones by: SHA-256 over all that counts in them.</summary>
internal static class Digest
{
    public static byte[] Of(string document, int number, byte[] content)
    {
        using var hash = Begun(document, number);
        hash.AppendData(content);
        return hash.GetHashAndReset();
    }

    public static byte[] Of(RevisionRow row) => Of(row.DocumentId, row.Number, row.Kind, row.Target, row.Done, row.Back);

    public static byte[] Of(string document, int number, RevisionKind kind, int? target, string done, string back)
    {
        using var hash = Begun(document, number);
        hash.AppendData(Encoding.UTF8.GetBytes(string.Create(CultureInfo.InvariantCulture, $"{kind}/{target}/{done.Length}/")));
        hash.AppendData(Encoding.UTF8.GetBytes(done));
        hash.AppendData(Encoding.UTF8.GetBytes(back));
        return hash.GetHashAndReset();
    }

    private static IncrementalHash Begun(string document, int number)
    {
        var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        hash.AppendData(Encoding.UTF8.GetBytes(string.Create(CultureInfo.InvariantCulture, $"{document}/{number}/")));
        return hash;
    }
}
