using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes the channel that was wished for: its id, its name and all that was not said are found here. Channels whose default
/// sends to every return send to a new one as well, where they were not altered.</summary>
/// <param name="Before">The channel before which it stands in the order; null for the end.</param>
public sealed record MakeChannel(ChannelWish Wish, ChannelId? Before = null) : Edit
{
    public override bool ChangesRouting => true;

    public override EditResult ApplyTo(Template template) =>
        Before is { } next && !template.Channels.Contains(next) ? new Refusal.UnknownChannel(next)
        : Wish.Role is { } role && !RoleNames.All.Contains(role) ? new Refusal.Missing("role", role, "among those that are known")
        : new AddChannel(ChannelFactory.Make(template, Wish), Before is { } place ? template.Channels.IndexOf(place) : null).ApplyTo(template) switch
        {
            // Taking a return away takes what sends to it along, so that the way back stays the same.
            EditResult.Applied added when Wish is { Kind: ChannelKind.Return, Bare: false } => added with { Template = DefaultStrips.KeptUp(template, added.Template) },
            var done => done,
        };
}
