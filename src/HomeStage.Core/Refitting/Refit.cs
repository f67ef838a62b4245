using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Refitting;

/// <summary>An old song or template brought onto a plan: its channels on the buses that the plan has for them, those made that are missing.</summary>
/// <param name="Edits">One batch, which one undo takes back; empty where nothing differs.</param>
/// <param name="After">What it leads to.</param>
/// <param name="Lines">Each bus, return and channel that goes into a sum, once, and what is made; in the order of their kinds.</param>
/// <remarks>Nothing is lost: every channel stays, with its source, notes, sounds, inserts, sends and feeds. Strips of buses alone are replaced, where that is asked for.</remarks>
public sealed record Refit(Sequence<Edit> Edits, Template After, Sequence<RefitLine> Lines)
{
    /// <param name="old">Keeps every rule.</param>
    /// <param name="plan">A template whose sums are the plan.</param>
    /// <returns>Or what is in the way.</returns>
    public static (Refit? Refit, Refusal? Why) Of(Template old, Template plan, RefitWish wish)
    {
        if (wish.Said.Select(s => s.Key).FirstOrDefault(id => !Identifier.IsValid(id) || !old.Channels.Contains(new(id))) is { } unknown)
            return (null, new Refusal.Missing("channel", unknown, "in what is to be refitted"));
        if (wish.Said.FirstOrDefault(s => s.Value.Length > 0 && !(Identifier.IsValid(s.Value) && plan.Channels.TryGet(new(s.Value), out var sum) && Capabilities.Of(sum.Kind).Sums)) is { Key: not null } nowhere)
            return (null, new Refusal.Missing("bus", nowhere.Value, $"in {plan.Name}"));
        var stage = new RefitStage(old, plan, wish, isCareful: false);
        if (LoopRule.Check(stage.Now) is not null)
            stage = new RefitStage(old, plan, wish, isCareful: true);
        return TemplateRules.Check(stage.Now) is { } wrong
            ? (null, wrong)
            : (new(Difference.Between(old, stage.Now), stage.Now, stage.Lines.OrderBy(l => l.Kind).ToSequence()), null);
    }
}
