namespace HomeStage.Formats;

/// <summary>What a reader leaves out, in words: each once, as many as somebody would read.</summary>
internal sealed class LeftOut
{
    private const int MostSaid = 40;
    private const int LongestWords = 200;
    private readonly List<string> _said = [];
    private readonly HashSet<string> _known = new(StringComparer.Ordinal);

    public IReadOnlyList<string> Words => _said;

    public void Add(string words)
    {
        if (_said.Count >= MostSaid)
            return;
        var bounded = words.Length > LongestWords ? words[..LongestWords] + "…" : words;
        if (_known.Add(bounded))
            _said.Add(bounded);
    }
}
