namespace HomeStage.Core.Media;

/// <summary>Uploaded sound, known by its content: the same file is kept once, whatever it is called.</summary>
/// <param name="Content">SHA-256 of the file, 64 hexadecimal digits in lower case.</param>
/// <param name="Title">1 to 80 characters.</param>
/// <param name="SampleRateHz">Frames a second, in [8,000, 192,000].</param>
/// <param name="Lanes">1 or 2.</param>
/// <param name="Frames">At least 1.</param>
public sealed record MediaRef(string Content, string Title, int SampleRateHz, int Lanes, long Frames)
{
    public const int SlowestRateHz = 8000;
    public const int FastestRateHz = 192000;

    public double Seconds => (double)Frames / SampleRateHz;

    /// <returns>The first thing that is wrong, or null.</returns>
    internal Refusal? Check()
    {
        if (Content.Length != 64 || Content.Any(c => !char.IsAsciiHexDigitLower(c) && !char.IsAsciiDigit(c)))
            return new Refusal.WrongPlace("A sound", "is known by the 64 hexadecimal digits of its content");
        if (!(SampleRateHz is >= SlowestRateHz and <= FastestRateHz))
            return new Refusal.OutOfRange($"The sample rate of {Title}", SampleRateHz, SlowestRateHz, FastestRateHz, "Hz");
        if (!(Lanes is 1 or 2) || Frames < 1)
            return new Refusal.WrongPlace("A sound", "has one or two lanes and at least one frame");
        return TextRules.Name("A sound's title", Title);
    }
}
