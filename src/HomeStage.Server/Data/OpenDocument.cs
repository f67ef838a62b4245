using System.Collections.Immutable;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Data;

/// <summary>A document at its newest revision, and what could be undone and done again.</summary>
/// <param name="Undoable">Revisions whose edits stand, the latest on top.</param>
/// <param name="Redoable">Revisions whose edits were taken back, the latest on top.</param>
public sealed record OpenDocument(
    string Id, DocumentKind Kind, int Revision, Template Template, ImmutableStack<int> Undoable, ImmutableStack<int> Redoable)
{
    /// <summary>What was worked out of it so far.</summary>
    public CompiledDocument Compiled { get; private init; } = new(Template);

    public bool CanUndo => !Undoable.IsEmpty;

    public bool CanRedo => !Redoable.IsEmpty;

    /// <summary>The document alone, for whoever is a little behind: what was worked out of it is given up.</summary>
    public OpenDocument Bare() => this with { Compiled = new(Template) };

    /// <summary>The document after one more entry of the log.</summary>
    public OpenDocument Then(RevisionKind kind, int? target, Template template)
    {
        var next = this with { Revision = Revision + 1, Template = template, Compiled = new(template, Compiled) };
        return kind switch
        {
            RevisionKind.Edit => next with { Undoable = Undoable.Push(next.Revision), Redoable = [] },
            RevisionKind.Undo => next with { Undoable = Undoable.Pop(), Redoable = Redoable.Push(target!.Value) },
            RevisionKind.Redo => next with { Undoable = Undoable.Push(target!.Value), Redoable = Redoable.Pop() },
            _ => next,
        };
    }
}
