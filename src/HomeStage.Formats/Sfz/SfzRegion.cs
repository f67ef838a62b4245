namespace HomeStage.Formats.Sfz;

/// <summary>A region with what its group, its master and the whole say before it. The headers are shared, not copied: a long global
/// before many regions costs its own length once.</summary>
/// <param name="headers">From the nearest to the farthest.</param>
internal sealed class SfzRegion(IReadOnlyDictionary<string, string>[] headers)
{
    /// <returns>What the nearest header says; null where none does.</returns>
    public string? this[string opcode]
    {
        get
        {
            foreach (var header in headers)
                if (header.TryGetValue(opcode, out var value))
                    return value;
            return null;
        }
    }
}
