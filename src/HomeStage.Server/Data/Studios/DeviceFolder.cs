using HomeStage.Formats;
using HomeStage.Formats.ModuleInfo;

namespace HomeStage.Server.Data.Studios;

/// <summary>Looks through a folder for the descriptions that lie in module bundles. Nothing is run, and nothing else is read.</summary>
public static class DeviceFolder
{
    public const int MostBundles = 5000;
    private const int Deepest = 8;

    public static FormatResult<FoundDevices> Look(string folder, CancellationToken cancellation)
    {
        if (string.IsNullOrWhiteSpace(folder) || !Directory.Exists(folder))
            return new FormatResult<FoundDevices>.Refused("no-folder", $"There is no folder {folder.Trim()} on this machine.");
        var options = new EnumerationOptions { RecurseSubdirectories = true, MaxRecursionDepth = Deepest, IgnoreInaccessible = true, AttributesToSkip = FileAttributes.ReparsePoint, MatchCasing = MatchCasing.CaseInsensitive };
        var (devices, leftOut) = (new List<FoundDevice>(), new List<string>());
        try
        {
            foreach (var bundle in Directory.EnumerateDirectories(folder, $"*{ModuleInfoReader.BundleEnding}", options).Take(MostBundles).Order(StringComparer.OrdinalIgnoreCase))
            {
                cancellation.ThrowIfCancellationRequested();
                Add(bundle, devices, leftOut);
            }
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return new FormatResult<FoundDevices>.Refused("unreadable", $"The folder {folder.Trim()} cannot be looked through.");
        }

        var once = devices.DistinctBy(d => (d.Device.DeviceId, d.Device.Name)).ToList();
        return new FormatResult<FoundDevices>.Read(new(once, leftOut));
    }

    private static void Add(string bundle, List<FoundDevice> devices, List<string> leftOut)
    {
        var name = Path.GetFileName(bundle);
        var file = ModuleInfoReader.PlacesInABundle.Select(p => Path.Combine(bundle, p)).FirstOrDefault(File.Exists);
        if (file is null)
        {
            leftOut.Add($"{name} has no description.");
            return;
        }

        try
        {
            if (new FileInfo(file).Length > ModuleInfoReader.MostBytes)
            {
                leftOut.Add($"{name}: its description is too large.");
                return;
            }

            switch (ModuleInfoReader.Read(File.ReadAllBytes(file)))
            {
                case FormatResult<FoundDevices>.Read read:
                    devices.AddRange(read.Value.Devices);
                    leftOut.AddRange(read.Value.LeftOut.Select(l => $"{name}: {l}"));
                    break;
                case FormatResult<FoundDevices>.Refused refused:
                    leftOut.Add($"{name}: {refused.Sentence}");
                    break;
            }
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            leftOut.Add($"{name}: its description cannot be opened.");
        }
    }
}
