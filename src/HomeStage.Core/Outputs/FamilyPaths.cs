using HomeStage.Core.Kits;

namespace HomeStage.Core.Outputs;

/// <summary>The families of a kit's pieces as numbers, so that many of them are compared quickly.</summary>
internal sealed class FamilyPaths
{
    private readonly int[][] _paths;
    private readonly List<string> _parts = [];
    private readonly List<int> _sizes = [];

    public FamilyPaths(IEnumerable<string> families)
    {
        var numbers = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        _paths = [.. families.Select(family =>
        {
            var parts = FamilyTree.Parts(family);
            return Enumerable.Range(1, parts.Count).Select(depth => NumberOf(numbers, string.Join('/', parts.Take(depth)), parts[depth - 1])).ToArray();
        })];
    }

    /// <returns>Numbers of the families that hold a piece, from the general to the particular.</returns>
    public int[] this[int piece] => _paths[piece];

    /// <summary>The last part of a family's path.</summary>
    public string PartOf(int family) => _parts[family];

    /// <summary>How many pieces a family holds.</summary>
    public int SizeOf(int family) => _sizes[family];

    /// <returns>How many families two pieces share.</returns>
    public int Shared(int one, int other)
    {
        var (a, b) = (_paths[one], _paths[other]);
        var shared = 0;
        while (shared < a.Length && shared < b.Length && a[shared] == b[shared])
            shared++;
        return shared;
    }

    /// <summary>As <see cref="FamilyTree.Distance"/> has it.</summary>
    public int Distance(int one, int other) => _paths[one].Length + _paths[other].Length + 2 - 2 * Shared(one, other);

    private int NumberOf(Dictionary<string, int> numbers, string path, string part)
    {
        if (!numbers.TryGetValue(path, out var number))
        {
            numbers[path] = number = _parts.Count;
            _parts.Add(part);
            _sizes.Add(0);
        }

        _sizes[number]++;
        return number;
    }
}
