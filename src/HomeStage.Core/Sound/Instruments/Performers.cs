using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Who stands in for what a hardware input brings.</summary>
public enum Performer
{
    Voice,
    Guitar,
    Organ,
}

/// <summary>What the performers play: a plain phrase in the song's key, or in C where it waits for one.</summary>
public static class Performers
{
    /// <summary>What each is turned by for −18 LUFS, as the instruments are.</summary>
    internal const double VoiceDb = 15.7;

    internal const double GuitarDb = 1.8;

    internal const double OrganDb = 0.3;

    // Degrees of the scale, a bar each of four notes; the last note of a bar is held.
    private static readonly int[][] Phrase = [[0, 2, 4, 2], [3, 4, 5, 4], [4, 2, 1, 2], [0, 1, -1, 0]];
    private static readonly int[] Major = [0, 2, 4, 5, 7, 9, 11];
    private static readonly int[] Minor = [0, 2, 3, 5, 7, 8, 10];

    /// <returns>By the channel's role; a voice where it tells nothing.</returns>
    public static Performer Of(Channel channel) => ChannelRole.Of(channel).Role switch
    {
        { } role when role.Contains("guitar", StringComparison.Ordinal) => Performer.Guitar,
        "organ" => Performer.Organ,
        _ => Performer.Voice,
    };

    /// <summary>The notes of the phrase over the whole timeline, on the felt beats of each section.</summary>
    /// <returns>Start and end in seconds, MIDI note number, velocity.</returns>
    public static IEnumerable<(double Start, double End, int Number, int Velocity)> Notes(TimeMap time, MusicalKey? key, Performer performer)
    {
        var tonic = Tonic(key) + (performer == Performer.Guitar ? 48 : 60);
        var scale = key is { Minor: true } ? Minor : Major;
        var bar = 0;
        foreach (var section in time.Sections)
        {
            var ticks = section.Meter.TicksPerBar;
            for (long at = 0; at < section.LengthTicks; at += ticks, bar++)
                for (var i = 0; i < 4; i++)
                {
                    var (from, to) = (section.SecondsAt(at + ticks * i / 4), section.SecondsAt(at + ticks * (i + 1) / 4));
                    foreach (var number in Sounding(Phrase[bar % Phrase.Length][i], i, tonic, scale, performer))
                        yield return (from, from + 0.92 * (to - from), number, 84 + 8 * ((i + 1) % 2));
                }
        }
    }

    private static IEnumerable<int> Sounding(int degree, int beat, int tonic, int[] scale, Performer performer)
    {
        int At(int d) => tonic + scale[((d % 7) + 7) % 7] + 12 * (int)Math.Floor(d / 7.0);
        // A guitar strums the chord on the first and third of a bar and picks the rest.
        return performer == Performer.Guitar && beat % 2 == 0 ? [At(degree), At(degree + 2), At(degree + 4), At(degree + 7)] : [At(degree)];
    }

    /// <summary>Semitones of the tonic above C, from −5 to 6: seven for each fifth, and three below for a minor key.</summary>
    private static int Tonic(MusicalKey? key) => key is null ? 0 : (((key.Fifths * 7 + (key.Minor ? 9 : 0)) % 12) + 17) % 12 - 5;
}
