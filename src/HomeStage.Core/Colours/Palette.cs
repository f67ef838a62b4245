using HomeStage.Core.Routing;

namespace HomeStage.Core.Colours;

/// <summary>The colour of a channel on both themes.</summary>
public sealed record ChannelColour(string Night, string Day);

/// <summary>A hue to choose, with its colour.</summary>
/// <param name="Degrees">In [0, 360), none of the lamp's.</param>
public sealed record Swatch(double Degrees, string Name, ChannelColour Colour);

/// <summary>The colours of a template's channels: chosen by hue on a bus, derived below it.</summary>
/// <remarks>A family keeps its hue. Its lightness is moved, in small steps, until it is apart from the family above it to
/// everybody. Members step evenly through lightness about their bus, so that the family holds together.</remarks>
public static class Palette
{
    /// <summary>The lamp's amber is for what is live or asked for: no family takes a hue between these, in degrees.</summary>
    public const double LampFromDegrees = 61;

    public const double LampToDegrees = 91;

    /// <summary>How far two neighbouring families stay apart, as <see cref="Oklab.DistanceTo"/> counts.</summary>
    public const double LeastDistance = 0.06;

    /// <summary>Hues to choose from, in degrees, with what people call them: around the circle, the lamp's left out.</summary>
    private static readonly (double Degrees, string Name)[] Hues =
    [
        (0, "rose"), (25, "brick"), (48, "rust"), (105, "olive"), (128, "moss"), (152, "fern"), (175, "pine"),
        (200, "teal"), (225, "sea"), (250, "slate"), (275, "iris"), (300, "violet"), (325, "heather"),
    ];

    private const double MemberSpread = 0.05;

    /// <returns>The hue, or the nearest that channels may take where it lies in the amber that is kept.</returns>
    public static double OutsideLamps(double hueDegrees) =>
        !IsLamps(hueDegrees) ? hueDegrees : hueDegrees - LampFromDegrees < LampToDegrees - hueDegrees ? LampFromDegrees : LampToDegrees;

    public static bool IsLamps(double hueDegrees) => hueDegrees > LampFromDegrees && hueDegrees < LampToDegrees;

    /// <param name="rows">The running order.</param>
    /// <returns>A colour for every channel that has a hue.</returns>
    public static IReadOnlyDictionary<ChannelId, ChannelColour> Of(IReadOnlyList<RunningOrderRow> rows)
    {
        var (night, day) = (Ink(rows, ThemeInk.Night), Ink(rows, ThemeInk.Day));
        return night.ToDictionary(x => x.Key, x => new ChannelColour(x.Value.ToString(), day[x.Key].ToString()));
    }

    /// <returns>The hues to choose from, each as the first family that takes it looks.</returns>
    public static Sequence<Swatch> Swatches() => Hues.Select(h => new Swatch(h.Degrees, h.Name,
        new(Held(ThemeInk.Night.Lightness, h.Degrees, ThemeInk.Night).ToString(), Held(ThemeInk.Day.Lightness, h.Degrees, ThemeInk.Day).ToString()))).ToSequence();

    private static Dictionary<ChannelId, Rgb> Ink(IReadOnlyList<RunningOrderRow> rows, ThemeInk theme)
    {
        var colours = new Dictionary<ChannelId, Rgb>();
        var lightness = new Dictionary<ChannelId, double>();
        Rgb? neighbour = null;
        for (var i = 0; i < rows.Count; i++)
        {
            if (rows[i].HueDegrees is not { } hue)
                continue;
            var channel = rows[i].Channel;
            if (channel.HueDegrees is not null)
            {
                lightness[channel.Id] = Apart(hue, theme, neighbour);
                neighbour = new Oklch(lightness[channel.Id], theme.Chroma, hue).ToRgb();
            }
            else
            {
                lightness[channel.Id] = Stepped(rows, i, lightness[channel.Destination!.Value]);
            }

            colours[channel.Id] = Held(lightness[channel.Id], hue, theme);
        }

        return colours;
    }

    private static double Apart(double hue, ThemeInk theme, Rgb? neighbour)
    {
        var tried = theme.Steps.Select(step => theme.Lightness + step)
            .Select(l => (Lightness: l, Colour: new Oklch(l, theme.Chroma, hue).ToRgb()))
            .Where(x => theme.Holds(x.Colour))
            .Select(x => (x.Lightness, Distance: neighbour is { } n ? ColourVision.LeastDistance(n, x.Colour) : LeastDistance))
            .ToList();
        var enough = tried.Where(x => x.Distance >= LeastDistance).Take(1).ToList();
        return enough.Count > 0 ? enough[0].Lightness : tried.MaxBy(x => x.Distance).Lightness;
    }

    /// <summary>Siblings stand at equal steps of lightness about what they feed, alternating so that neighbours differ.</summary>
    private static double Stepped(IReadOnlyList<RunningOrderRow> rows, int at, double parent)
    {
        var siblings = 0;
        for (var i = at - 1; i >= 0 && rows[i].Depth >= rows[at].Depth; i--)
            if (rows[i].Depth == rows[at].Depth)
                siblings++;
        return parent + (siblings % 2 == 0 ? 1 : -1) * MemberSpread * (1 + siblings / 2 % 2) / 2;
    }

    private static Rgb Held(double lightness, double hue, ThemeInk theme)
    {
        // Toward the theme's own lightness until the contrast holds; there it holds by a wide margin.
        for (var l = lightness; ; l += Math.Sign(theme.Lightness - lightness) * 0.01)
        {
            var colour = new Oklch(l, theme.Chroma, hue).ToRgb();
            if (theme.Holds(colour) || Math.Abs(l - theme.Lightness) < 0.011)
                return colour;
        }
    }
}
