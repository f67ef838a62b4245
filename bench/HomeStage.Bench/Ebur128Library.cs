using System.Runtime.InteropServices;

namespace HomeStage.Bench;

/// <summary>The C library of that name, taken from the machine.</summary>
internal static partial class Ebur128Library
{
    private const string Name = "libebur128.so.1";
    private const int Integrated = 1 << 2 | 1;
    private const int TruePeak = 1 << 5 | 1 << 4 | 1;

    /// <summary>Whether it can be compared with; where the machine lacks it, it is installed and that is said.</summary>
    public static bool IsHere => NativeLibrary.TryLoad(Name, out _) || (Tools.Install("libebur128-1") && NativeLibrary.TryLoad(Name, out _));

    /// <returns>LUFS.</returns>
    public static double Measure(float[] interleaved, int sampleRateHz, bool truePeak)
    {
        var state = Begin(2, (nuint)sampleRateHz, truePeak ? Integrated | TruePeak : Integrated);
        _ = Add(state, interleaved, (nuint)(interleaved.Length / 2));
        _ = Global(state, out var lufs);
        End(ref state);
        return lufs;
    }

    [LibraryImport(Name, EntryPoint = "ebur128_init")]
    private static partial nint Begin(uint lanes, nuint sampleRateHz, int mode);

    [LibraryImport(Name, EntryPoint = "ebur128_add_frames_float")]
    private static partial int Add(nint state, float[] samples, nuint frames);

    [LibraryImport(Name, EntryPoint = "ebur128_loudness_global")]
    private static partial int Global(nint state, out double lufs);

    [LibraryImport(Name, EntryPoint = "ebur128_destroy")]
    private static partial void End(ref nint state);
}
