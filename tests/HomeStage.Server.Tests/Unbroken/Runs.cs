namespace HomeStage.Server.Tests.Unbroken;

/// <summary>How often something is repeated: a few times in every check, many times in the long one.</summary>
internal static class Runs
{
    public static bool AreLong { get; } = Environment.GetEnvironmentVariable("HOME_STAGE_LONG") == "1";

    public static int Of(int brief, int many) => AreLong ? many : brief;
}
