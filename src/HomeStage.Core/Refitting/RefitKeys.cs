using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Roles;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Refitting;

/// <summary>Keys of strips that were laid switched off: they work where what steers them has a counterpart, by name or else by role.</summary>
internal static class RefitKeys
{
    /// <param name="sums">Of the plan, each with the one that stands for it here.</param>
    public static Template Steered(Template here, Template plan, IEnumerable<KeyValuePair<ChannelId, ChannelId>> sums)
    {
        foreach (var (theirs, mine) in sums)
            foreach (var insert in plan.Channels[theirs].Inserts.Where(i => here.Channels[mine].Inserts.Any(own => own.Id == i.Id && own.Processor == i.Processor && own.Off && !i.Off)))
                here = Steered(here, plan, insert, mine, theirs);
        return here;
    }

    private static Template Steered(Template here, Template plan, Insert insert, ChannelId mine, ChannelId theirs)
    {
        var fed = here;
        foreach (var source in plan.Channels)
        {
            if (source.Feeds.FirstOrDefault(f => f.Channel == theirs && f.Insert == insert.Id) is not { } feed)
                continue;
            if (Counterpart(here, source, c => Capabilities.Of(c.Kind).FeedsKeys && c.Id != mine) is not { } steers)
                return here;
            var steering = fed.Channels[steers.Id];
            fed = fed.Replace(ConnectionOrder.Sorted(steering with { Feeds = steering.Feeds.Where(f => f.Channel != mine).Append(feed with { Channel = mine }).ToSequence() }));
        }

        var notes = (insert.Trigger?.Notes ?? []).Select(n => Counterpart(here, plan.Channels[n], c => Capabilities.Of(c.Kind).GivesNotes)?.Id).ToList();
        if (notes.Contains(null) || (insert.Key is { On: true } && ReferenceEquals(fed, here)))
            return here;
        var bus = fed.Channels[mine];
        var live = fed.Replace(bus with { Inserts = bus.Inserts.Select(i => i.Id != insert.Id ? i : i with { Off = false, Trigger = i.Trigger is { } t ? t with { Notes = notes.OfType<ChannelId>().Distinct().ToSequence() } : null }).ToSequence() });
        return TemplateRules.Check(live) is null && LoopRule.Check(live) is null ? live : here;
    }

    private static Channel? Counterpart(Template here, Channel theirs, Func<Channel, bool> fits)
    {
        var able = here.Channels.Where(fits).ToList();
        return able.Find(c => c.Name.Equals(theirs.Name, StringComparison.OrdinalIgnoreCase))
            ?? (ChannelRole.Of(theirs).Role is var role && role != RoleNames.Unknown ? able.Find(c => c.Kind == theirs.Kind && ChannelRole.Of(c).Role == role) : null);
    }
}
