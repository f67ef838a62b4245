using System.Collections.Concurrent;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Compiling;

/// <summary>A template made ready to be worked with: what levels, findings and renders of one revision share. Each part is worked out
/// when it is first asked for. Safe for several threads.</summary>
public sealed class CompiledTemplate
{
    private readonly ConcurrentDictionary<string, Lazy<CompiledAct>> _acts = new(StringComparer.Ordinal);
    private readonly IReadOnlyDictionary<string, Lazy<CompiledAct>> _earlier;
    private readonly Lazy<Movement> _movement;

    /// <param name="before">An earlier state; what an edit since then did not touch is taken from it. Null for none.</param>
    public CompiledTemplate(Template template, CompiledTemplate? before = null)
    {
        Template = template;
        _movement = new(() => new(template));
        // Only what was worked out is held on to, and that without what it came from: states do not hang on one another like a chain.
        _earlier = before is null ? new Dictionary<string, Lazy<CompiledAct>>(StringComparer.Ordinal) : before._acts.IsEmpty ? before._earlier : before._acts;
    }

    public Template Template { get; }

    public Movement Movement => _movement.Value;

    /// <exception cref="ArgumentException">The template has no such act.</exception>
    public CompiledAct In(string act)
    {
        if (Template.Acts.All(a => a.Id != act))
            throw new ArgumentException($"There is no act {act}.", nameof(act));
        return _acts.GetOrAdd(act, _ => new(() => new(Template, _movement, act, _earlier.TryGetValue(act, out var earlier) && earlier.IsValueCreated ? earlier.Value : null))).Value;
    }
}
