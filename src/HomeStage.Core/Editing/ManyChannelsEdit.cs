using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>An edit of several channels at once: it makes the template as it shall be; rules and way back are worked out here.</summary>
public abstract record ManyChannelsEdit : Edit
{
    public sealed override EditResult ApplyTo(Template template)
    {
        var change = Change(template);
        if (change is not ManyResult.Changed(var after))
            return ((ManyResult.Refused)change).Why;
        var touched = after.Channels.Where(c => !template.Channels.TryGet(c.Id, out var old) || !ReferenceEquals(old, c)).ToList();
        if (touched.Select(c => ChannelRules.Check(after, c)).FirstOrDefault(r => r is not null) is { } wrong)
            return wrong;
        if (after.Channels.Count > TemplateRules.MostChannels)
            return new Refusal.TooMany("channels", TemplateRules.MostChannels);
        var before = touched.Where(c => template.Channels.Contains(c.Id)).Select(c => new PlacedChannel(template.Channels[c.Id], null));
        var made = touched.Where(c => !template.Channels.Contains(c.Id)).Select(c => c.Id);
        return new EditResult.Applied(after, new RestoreChannels(before.ToSequence(), made.ToSequence()));
    }

    /// <summary>May change and add channels; takes none away and moves none.</summary>
    protected abstract ManyResult Change(Template template);

    /// <returns>The first of these that is no channel, or null.</returns>
    protected static Refusal? Unknown(Template template, Sequence<ChannelId> channels)
    {
        if (channels.Count == 0)
            return new Refusal.Missing("channel", "", "among those chosen; choose one first");
        return channels.Where(id => !template.Channels.Contains(id)).Select(id => new Refusal.UnknownChannel(id)).FirstOrDefault();
    }
}

/// <summary>What came of a change of several channels.</summary>
public abstract record ManyResult
{
    public sealed record Changed(Template Template) : ManyResult;

    public sealed record Refused(Refusal Why) : ManyResult;

    public static implicit operator ManyResult(Template template) => new Changed(template);

    public static implicit operator ManyResult(Refusal why) => new Refused(why);
}
