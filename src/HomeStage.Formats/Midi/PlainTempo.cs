namespace HomeStage.Formats.Midi;

/// <summary>A Standard MIDI File keeps a tempo as whole microseconds a quarter note, so that 143.5 BPM comes back as 143.50016.</summary>
internal static class PlainTempo
{
    public const double MicrosecondsPerMinute = 60_000_000;
    private const int MostDecimals = 3;

    /// <param name="microseconds">A quarter note, above 0.</param>
    /// <returns>In quarter notes a minute: the plainest number that the file would keep so.</returns>
    public static double Of(uint microseconds)
    {
        var exact = MicrosecondsPerMinute / microseconds;
        return Enumerable.Range(0, MostDecimals + 1).Select(d => Math.Round(exact, d)).Where(bpm => bpm > 0 && Math.Abs(MicrosecondsPerMinute / bpm - microseconds) < 1).DefaultIfEmpty(exact).First();
    }
}
