namespace HomeStage.TestKit;

/// <summary>How often something is repeated, and how long it may take: a few times in every check, many times and by the clock in the long one.</summary>
public static class Runs
{
    // Every check runs other tests, and the front end, beside these: it only looks whether something ends at all.
    private const int TimesWithinACheck = 5;

    /// <summary>Why a test waits for the long run.</summary>
    public const string InTheLongRun = "It starts servers to kill them, or works for long: in ./check --long.";

    public static bool AreLong { get; } = Environment.GetEnvironmentVariable("HOME_STAGE_LONG") == "1";

    public static int Of(int brief, int many) => AreLong ? many : brief;

    /// <summary>What is promised on a machine with nothing else to do; five times that where other tests run beside.</summary>
    public static TimeSpan Within(double promisedSeconds) => TimeSpan.FromSeconds(AreLong ? promisedSeconds : promisedSeconds * TimesWithinACheck);
}
