using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Keeps a split no longer that was put aside.</summary>
/// <param name="Split">Id that it had as a channel.</param>
public sealed record RemoveAside(ChannelId Split) : Edit
{
    public override EditResult ApplyTo(Template template) =>
        template.Aside.FirstOrDefault(a => a.Split.Id == Split) is { } old
            ? new EditResult.Applied(template with { Aside = template.Aside.Where(a => a.Split.Id != Split).ToSequence() }, new PutAside(old))
            : new Refusal.Missing("split put aside", Split.Value, "in this template");
}
