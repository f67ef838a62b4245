using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts channels back as they were: the inverse of edits that touch several at once.</summary>
/// <param name="Channels">With a place: inserted there, in ascending order of places. Without: put over the one with the same id.</param>
/// <param name="Gone">Channels to take away again; none of them may be among <paramref name="Channels"/>.</param>
public sealed record RestoreChannels(Sequence<PlacedChannel> Channels, Sequence<ChannelId> Gone) : Edit
{
    public override bool ChangesRouting => true;

    public override EditResult ApplyTo(Template template)
    {
        var inserted = Channels.Where(c => c.Place is not null).OrderBy(c => c.Place).ToList();
        if (inserted.Count > 0 && Gone.Count > 0)
            return new Refusal.WrongPlace("Putting channels back", "cannot take others away in the same edit");
        var list = template.Channels;
        var before = new List<PlacedChannel>();
        foreach (var id in Gone)
        {
            if (!list.Contains(id))
                return new Refusal.UnknownChannel(id);
            before.Add(new(template.Channels[id], template.Channels.IndexOf(id)));
            list = list.Remove(id);
        }

        foreach (var (channel, place) in inserted)
        {
            if (list.Contains(channel.Id))
                return new Refusal.ChannelExists(channel.Id);
            if (!(place >= 0 && place <= list.Count))
                return new Refusal.OutOfRange($"The place of {channel.Name}", place!.Value, 0, list.Count, "");
            list = list.Insert(place!.Value, channel);
        }

        foreach (var (channel, _) in Channels.Where(c => c.Place is null))
        {
            if (!list.TryGet(channel.Id, out var old))
                return new Refusal.UnknownChannel(channel.Id);
            before.Add(new(old, null));
            list = list.Replace(channel);
        }

        var after = template with { Channels = list };
        // Anything may refer to what is gone, so every channel is asked.
        return TemplateRules.Check(after) is { } wrong
            ? wrong
            : new EditResult.Applied(after, new RestoreChannels(before.ToSequence(), inserted.Select(c => c.Channel.Id).ToSequence()));
    }
}

/// <summary>A channel and, where it is to be inserted, its place in the order.</summary>
public sealed record PlacedChannel(Channel Channel, int? Place);
