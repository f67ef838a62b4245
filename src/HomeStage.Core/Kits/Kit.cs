using System.Globalization;

namespace HomeStage.Core.Kits;

/// <summary>The pieces of one multi-output instrument, what hears them, and the outputs that all of it leaves by.</summary>
/// <param name="FirstReserved">Whether the first output is kept for the rest, on the instrument's own channel.</param>
public sealed record Kit(Sequence<Piece> Pieces, Sequence<KitOutput> Outputs, bool FirstReserved = true)
{
    /// <summary>Microphones that hear every piece from afar.</summary>
    public Sequence<FarMicrophone> Far { get; init; } = [];

    /// <summary>Families, each by its path, that a plan does not divide.</summary>
    public Sequence<string> Whole { get; init; } = [];

    /// <summary>How plans use its jacks; null for as the outputs show.</summary>
    public JackUse? Jacks { get; init; }

    /// <summary>As it is, whoever says it: by halves only where that is said, by pairs where any output is one.</summary>
    public JackUse Use => Jacks ?? (Outputs.Any(o => o.Format == ChannelFormat.Stereo) ? JackUse.Pairs : JackUse.Singles);

    /// <summary>Every way out: the microphones of the pieces in their order, then the far ones.</summary>
    public IReadOnlyList<KitLine> Lines => [.. KitLine.Of(this)];

    /// <summary>The kit with every microphone put in place of what it was.</summary>
    public Kit Rewired(Func<KitLine, Microphone> put)
    {
        using var lines = KitLine.Of(this).GetEnumerator();
        Microphone Next()
        {
            lines.MoveNext();
            return put(lines.Current);
        }

        return this with
        {
            Pieces = Pieces.Select(p => p with { Microphones = p.Microphones.Select(_ => Next()).ToSequence() }).ToSequence(),
            Far = Far.Select(f => f with { Microphone = Next() }).ToSequence(),
        };
    }

    /// <summary>The kit with everything on the first output, where it is heard before anybody has made splits.</summary>
    public Kit Together() => Rewired(l => l.Microphone with { Output = 1, AlsoOnFirst = false });

    /// <summary>Where the pieces that leave by an output stand on the whole: what the channel that takes it is turned to where the output has no sides.</summary>
    /// <returns>In [−1, 1], rounded so that the middle of equals is what they are; 0 where nothing leaves by it.</returns>
    public double MiddleAt(int number)
    {
        var pans = Lines.Where(l => l.Output == number).Select(l => l.Microphone.Pan).ToList();
        return pans.Count == 0 ? 0 : Math.Round(pans.Average(), 3);
    }

    /// <summary>The numbers by which an output is known on the instrument: "3–4" for a pair, "3" for a single.</summary>
    /// <param name="number">Output number, in [1, Outputs.Count].</param>
    public string JackLabel(int number) => LabelFrom(number, 1);

    /// <summary>"output 3–4", "outputs 2, 5–6", for sentences.</summary>
    /// <param name="numbers">Output numbers, each in [1, Outputs.Count]; at least one.</param>
    public string JacksSaid(params IReadOnlyCollection<int> numbers) =>
        $"output{(numbers.Count > 1 ? "s" : "")} {string.Join(", ", numbers.Select(JackLabel))}";

    /// <summary>The same where the first jack is counted as another number: the hardware input that it is cabled to.</summary>
    public string LabelFrom(int number, int from)
    {
        if (!(number >= 1 && number <= Outputs.Count))
            throw new ArgumentOutOfRangeException(nameof(number), number, $"The kit has outputs 1 to {Outputs.Count}.");
        var first = from + Outputs.Take(number - 1).Sum(o => o.Width);
        var width = Outputs[number - 1].Width;
        return width == 1
            ? first.ToString(CultureInfo.InvariantCulture)
            : string.Create(CultureInfo.InvariantCulture, $"{first}–{first + 1}");
    }
}

/// <summary>One output of an instrument; its number is its place in the kit, from 1.</summary>
public sealed record KitOutput(string Name, ChannelFormat Format)
{
    /// <summary>How many jacks it takes.</summary>
    internal int Width => Format == ChannelFormat.Mono ? 1 : 2;

    /// <summary>"11 mono outputs", "8 pairs", "7 outputs, 2 of them pairs".</summary>
    public static string Spoken(IReadOnlyCollection<KitOutput> outputs)
    {
        var pairs = outputs.Count(o => o.Format == ChannelFormat.Stereo);
        string Counted(int count, string one) => string.Create(CultureInfo.InvariantCulture, $"{count} {one}{(count == 1 ? "" : "s")}");
        return pairs == 0 ? Counted(outputs.Count, "mono output") : pairs == outputs.Count ? Counted(pairs, "pair") : $"{Counted(outputs.Count, "output")}, {pairs} of them pairs";
    }

    /// <summary>The outputs of a machine, numbered.</summary>
    /// <param name="jacks">How many single jacks there are, at least 1.</param>
    /// <param name="inPairs">Whether they come in pairs; an odd one over is single.</param>
    /// <param name="firstReserved">Whether the first is kept for the rest.</param>
    internal static IEnumerable<KitOutput> Row(int jacks, bool inPairs, bool firstReserved)
    {
        for (var (number, left) = (1, jacks); left > 0; number++)
        {
            var made = new KitOutput(number == 1 && firstReserved ? "The rest" : $"Output {number}", inPairs && left >= 2 ? ChannelFormat.Stereo : ChannelFormat.Mono);
            yield return made;
            left -= made.Width;
        }
    }
}
