using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Inheriting;

/// <summary>What changed in the template that another is based on, offered to that other one edit by edit. Nothing is taken by itself.</summary>
public static class Inheritance
{
    /// <param name="was">The parent as it was when its changes were looked through last, or when the child was made of it.</param>
    /// <param name="parent">The parent as it is now.</param>
    /// <param name="child">The template that is based on it.</param>
    /// <returns>In the order in which they can be taken, each seen where the open ones before it have led. What the child has
    /// already is left out; so are how the parent opens and what it is based on itself.</returns>
    public static IReadOnlyList<InheritedChange> Offered(Template was, Template parent, Template child)
    {
        var offered = new List<InheritedChange>();
        foreach (var (edit, number) in Changes(was, parent).Select((e, n) => (e, n)))
        {
            var (before, atParent) = (was, (EditResult.Applied)edit.ApplyTo(was));
            was = atParent.Template;
            switch (edit.ApplyTo(child))
            {
                case EditResult.Refused refused:
                    offered.Add(new(number, edit, EditWords.Of(edit, before), Standing.Impossible, refused.Why));
                    break;
                case EditResult.Applied here when !here.Template.Equals(child):
                    var isOwn = OwnWays.Differ(edit, atParent.Inverse, here.Inverse);
                    offered.Add(new(number, edit, EditWords.Of(edit, child), isOwn ? Standing.Own : Standing.Open, null));
                    child = isOwn ? child : here.Template;
                    break;
            }
        }

        return offered;
    }

    /// <summary>Takes some of the changes over.</summary>
    /// <param name="chosen">Their numbers; others are left, and are not offered again.</param>
    /// <param name="seen">The parent, up to the revision whose state was looked through.</param>
    /// <returns>The edits for the child; or what is in the way of the first that cannot be.</returns>
    public static (Sequence<Edit> Edits, Refusal? Why) Taking(Template was, Template parent, Template child, IReadOnlyCollection<int> chosen, Parent seen)
    {
        var edits = Changes(was, parent).Where((_, number) => chosen.Contains(number)).Append(new SetParent(seen)).ToSequence();
        return Batch.Apply(child, edits) is BatchResult.Refused refused ? ([], refused.Why) : (edits, null);
    }

    /// <summary>A template that begins as another is and goes on being offered its changes.</summary>
    /// <param name="name">1 to 80 characters.</param>
    public static Template Begin(Template parent, string id, int revision, string name) => parent with { Name = name, Parent = new(id, parent.Name, revision) };

    private static Sequence<Edit> Changes(Template was, Template parent) => Difference.Between(was, parent with { Parent = was.Parent, Opening = was.Opening });
}
