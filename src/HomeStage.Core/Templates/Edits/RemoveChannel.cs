namespace HomeStage.Core.Templates.Edits;

/// <summary>Takes a channel away. What fed it feeds what it fed; sends, feeds, splits and notes that need it go with it.</summary>
public sealed record RemoveChannel(ChannelId Channel) : Edit
{
    public override bool ChangesRouting => true;

    public override EditResult ApplyTo(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return new Refusal.UnknownChannel(Channel);
        if (channel.Kind == ChannelKind.Main)
            return new Refusal.WrongPlace(channel.Name, "is the last sum and stays");
        var gone = template.Channels
            .Where(c => c.Id == Channel || (c.Source is OutputSource split && split.Instrument == Channel))
            .Select(c => c.Id).ToHashSet();
        var kept = template.Channels.Where(c => !gone.Contains(c.Id)).Select(c => Released(c, channel, gone)).ToList();
        var lost = template.Channels
            .Select((c, place) => (Channel: c, Place: place))
            .Where(x => gone.Contains(x.Channel.Id))
            .Select(x => new PlacedChannel(x.Channel, x.Place));
        var changed = kept.Where(c => !ReferenceEquals(c, template.Channels[c.Id])).Select(c => new PlacedChannel(template.Channels[c.Id], null));
        return new EditResult.Applied(
            template with { Channels = ChannelList.From(kept) },
            new RestoreChannels(lost.Concat(changed).ToSequence(), []));
    }

    private static Channel Released(Channel other, Channel removed, HashSet<ChannelId> gone)
    {
        var touched = (other.Destination is { } to && gone.Contains(to))
            || other.Sends.Any(s => gone.Contains(s.To)) || other.Feeds.Any(f => gone.Contains(f.Channel))
            || other.Inserts.Any(i => i.Trigger?.Notes.Any(gone.Contains) == true)
            || other.Plays.Any(gone.Contains) || other.NoteInput?.Layers.Any(gone.Contains) == true
            || (other.Source is InternalSource recorded && gone.Contains(recorded.From)) || (other.PrintTwin is { } twin && gone.Contains(twin));
        return !touched ? other : other with
        {
            Inserts = other.Inserts.Select(i => i.Trigger is { } trigger ? i with { Trigger = trigger with { Notes = trigger.Notes.Where(n => !gone.Contains(n)).ToSequence() } } : i).ToSequence(),
            Plays = other.Plays.Where(p => !gone.Contains(p)).ToSequence(),
            NoteInput = other.NoteInput is { } input ? input with { Layers = input.Layers.Where(l => !gone.Contains(l)).ToSequence() } : null,
            Source = other.Source is InternalSource source && gone.Contains(source.From) ? null : other.Source,
            PrintTwin = other.PrintTwin is { } print && gone.Contains(print) ? null : other.PrintTwin,
            Destination = other.Destination == removed.Id ? removed.Destination : other.Destination,
            Sends = other.Sends.Where(s => !gone.Contains(s.To)).ToSequence(),
            Feeds = other.Feeds.Where(f => !gone.Contains(f.Channel)).ToSequence(),
        };
    }
}
