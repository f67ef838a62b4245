using System.Collections.Concurrent;

namespace HomeStage.Server.Data;

/// <summary>Which documents are known to be damaged, and how far each can be read.</summary>
public sealed class DamageBook
{
    private readonly ConcurrentDictionary<string, Damage> _known = new(StringComparer.Ordinal);

    public int Count => _known.Count;

    public Damage? Of(string document) => _known.GetValueOrDefault(document);

    public void Note(DamagedDocumentException found) => _known[found.Document] = new(found.LastWhole, found.Sentence);

    public void Note(string document, Damage damage) => _known[document] = damage;

    public void Clear(string document) => _known.TryRemove(document, out _);
}

/// <param name="LastWhole">The newest revision that can be read; null for none.</param>
/// <param name="Sentence">For people.</param>
public sealed record Damage(int? LastWhole, string Sentence);
