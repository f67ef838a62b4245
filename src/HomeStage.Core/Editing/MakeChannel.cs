using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes the channel that was wished for: its id, its name and all that was not said are found here.</summary>
/// <param name="Before">The channel before which it stands in the order; null for the end.</param>
public sealed record MakeChannel(ChannelWish Wish, ChannelId? Before = null) : Edit
{
    public override bool ChangesRouting => true;

    public override EditResult ApplyTo(Template template) =>
        Before is { } next && !template.Channels.Contains(next) ? new Refusal.UnknownChannel(next)
        : Wish.Role is { } role && !RoleNames.All.Contains(role) ? new Refusal.Missing("role", role, "among those that are known")
        : new AddChannel(ChannelFactory.Make(template, Wish), Before is { } place ? template.Channels.IndexOf(place) : null).ApplyTo(template);
}
