using System.Text.Json;
using HomeStage.Formats.Documents;

namespace HomeStage.Formats.Packages;

/// <summary>What lies in a package, for whoever wants to know whether it has come over whole.</summary>
/// <param name="Format">Always "home-stage-package".</param>
/// <param name="Version">1.</param>
/// <param name="Files">In the order in which they lie in it, without the manifest itself.</param>
public sealed record PackageManifest(string Format, int Version, string Song, IReadOnlyList<PackagedFile> Files)
{
    public const string Name = "manifest.json";

    public static PackageManifest Of(string song, IReadOnlyList<PackagedFile> files) => new("home-stage-package", 1, song, files);

    public byte[] Write() => [.. JsonSerializer.SerializeToUtf8Bytes(this, DocumentJson.Readable), (byte)'\n'];
}

/// <param name="Name">With its folders, parted by "/".</param>
/// <param name="Sha256">64 hexadecimal digits in lower case.</param>
public sealed record PackagedFile(string Name, PackagePart Part, long Bytes, string Sha256);
