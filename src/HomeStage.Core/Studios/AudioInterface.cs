namespace HomeStage.Core.Studios;

/// <summary>What sound comes in and goes out by.</summary>
/// <param name="Name">1 to 80 characters.</param>
/// <param name="Inputs">What the inputs are called, by number from 1; up to 128. Empty text where one has no name.</param>
/// <param name="Outputs">What the outputs are called, by number from 1; up to 128.</param>
/// <param name="BufferFrames">Frames a buffer, in [1, 16,384]; sound waits for one on its way in and for one on its way out.</param>
public sealed record AudioInterface(string Name, Sequence<string> Inputs, Sequence<string> Outputs, int BufferFrames)
{
    public const int MostJacks = 128;
    public const int LargestBuffer = 16384;

    /// <summary>Sample rates that it runs at; empty where nobody said.</summary>
    public Sequence<int> RatesHz { get; init; } = [];

    /// <summary>Whether who plays hears the input beside the workstation, and so in time.</summary>
    public bool MonitorsDirectly { get; init; }

    /// <summary>How many pairs of outputs there are.</summary>
    public int OutputPairs => Outputs.Count / 2;

    /// <returns>The name of an input; null where it has none, or is not there.</returns>
    public string? InputName(int number) => number >= 1 && number <= Inputs.Count && Inputs[number - 1].Length > 0 ? Inputs[number - 1] : null;

    /// <returns>What a pair of outputs is called: "Near" for "Near left" and "Near right", else the name of the first; null where it has none. No two
    /// pairs are called alike.</returns>
    public string? PairName(int pair)
    {
        if (!(pair >= 1 && pair <= OutputPairs))
            return null;
        var name = Shared(pair);
        return name.Length > 0 && Enumerable.Range(1, OutputPairs).Count(p => string.Equals(Shared(p), name, StringComparison.OrdinalIgnoreCase)) == 1 ? name
            : Outputs[2 * pair - 2] is { Length: > 0 } left ? left
            : null;
    }

    /// <summary>The words that both names of a pair begin with; empty where they share none.</summary>
    private string Shared(int pair)
    {
        var (left, right) = (Outputs[2 * pair - 2].Split(' '), Outputs[2 * pair - 1].Split(' '));
        return string.Join(' ', left.Zip(right).TakeWhile(x => x.First == x.Second).Select(x => x.First));
    }
}
