namespace HomeStage.Core.Controls;

/// <summary>Parameters whose numbers mean words: switches and choices.</summary>
public static class ParameterWords
{
    private static readonly Sequence<string> Ways = ["off", "on"];

    /// <returns>What its whole numbers from 0 mean, as a sentence has it: a switch's two ways, a choice's options; none where they are numbers.</returns>
    public static Sequence<string> Words(this Parameter parameter) =>
        parameter.Unit == Unit.Switch ? Ways : parameter.Options.Select(InASentence).ToSequence();

    /// <returns>What a number means, the nearest whole one; null where it is a number, or none of the words.</returns>
    public static string? Word(this Parameter parameter, double value)
    {
        var (words, at) = (parameter.Words(), Math.Round(value, MidpointRounding.AwayFromZero));
        return at >= 0 && at < words.Count ? words[(int)at] : null;
    }

    /// <summary>Units and abbreviations keep their capitals: "12 dB/oct", "the mean (RMS)", "MIDI".</summary>
    private static string InASentence(string option) =>
        option.Length > 0 && !(option.Length > 1 && char.IsUpper(option[1])) ? char.ToLowerInvariant(option[0]) + option[1..] : option;
}
