using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>An edit of one channel: it makes the channel as it shall be, and the rules are asked once, here.</summary>
public abstract record ChannelEdit(ChannelId Channel) : Edit
{
    public sealed override EditResult ApplyTo(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return new Refusal.UnknownChannel(Channel);
        var change = Change(template, channel);
        if (change is not EditResult.Applied applied)
            return change;
        return ChannelRules.Check(applied.Template, applied.Template.Channels[Channel]) is { } wrong ? wrong : change;
    }

    /// <returns>The template with the channel changed, not yet held against the rules.</returns>
    protected abstract EditResult Change(Template template, Channel channel);

    protected static EditResult With(Template template, Channel changed, Edit inverse) =>
        new EditResult.Applied(template.Replace(changed), inverse);
}
