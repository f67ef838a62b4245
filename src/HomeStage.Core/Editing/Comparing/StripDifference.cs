using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Comparing;

/// <summary>What differs in a channel's inserts, sends, feeds and shapes.</summary>
internal static class StripDifference
{
    public static IEnumerable<Edit> Between(Channel from, Channel to) =>
        Inserts(from, to).Concat(Chains(from, to)).Concat(Sends(from, to)).Concat(Feeds(from, to)).Concat(Shapes(from, to));

    private static IEnumerable<Edit> Inserts(Channel from, Channel to)
    {
        if (from.Inserts.Equals(to.Inserts))
            yield break;
        bool Kept(Insert i) => to.Inserts.Any(o => IsSame(i, o));
        foreach (var gone in from.Inserts.Where(i => !Kept(i)))
            yield return new RemoveInsert(to.Id, gone.Id);
        var strip = from.Inserts.Where(Kept).Select(i => i.Id).ToList();
        var shared = to.Inserts.Where(i => strip.Contains(i.Id)).Select(i => i.Id).ToList();
        var staying = HeaviestRise.Of([.. shared.Select(id => strip.IndexOf(id))], [.. shared.Select(_ => 1)]).Select(i => shared[i]).ToHashSet();
        InsertId? last = null;
        foreach (var insert in to.Inserts)
        {
            if (!staying.Contains(insert.Id))
            {
                var isNew = !strip.Remove(insert.Id);
                var place = last is { } before ? strip.IndexOf(before) + 1 : 0;
                strip.Insert(place, insert.Id);
                yield return isNew ? new AddInsert(to.Id, insert, place) : new MoveInsert(to.Id, insert.Id, place);
            }

            if (from.Inserts.FirstOrDefault(i => IsSame(i, insert)) is { } was)
                foreach (var edit in Settings(to.Id, was, insert))
                    yield return edit;
            last = insert.Id;
        }
    }

    /// <summary>An insert of another processor is another insert, unless the two stand in for devices; so is one that loses a key input, which others may feed.</summary>
    private static bool IsSame(Insert from, Insert to) =>
        from.Id == to.Id && (to.TakesKey() || !from.TakesKey()) && (from.Processor == to.Processor || (from.Device is not null && to.Device is not null));

    private static IEnumerable<Edit> Settings(ChannelId channel, Insert from, Insert to)
    {
        var was = from;
        if (was.Processor != to.Processor)
        {
            yield return new SetStandIn(channel, to.Id, to.Processor);
            was = SetStandIn.On(was, to.Processor);
        }

        if (was.Device != to.Device)
        {
            // What one device's controls were set to may lie outside of the other's ranges.
            if (!DeviceSettings.Only(was.Settings).Equals(DeviceSettings.Only(to.Settings)) && DeviceSettings.Without(was.Settings) is var bare && !bare.Equals(was.Settings))
            {
                yield return new SetSettings(channel, to.Id, bare);
                was = was with { Settings = bare };
            }

            yield return new SetDevice(channel, to.Id, to.Device);
            was = was with { Device = to.Device, Settings = to.Device is null ? DeviceSettings.Without(was.Settings) : was.Settings };
        }

        var turned = to.Settings.Keys.Union(was.Settings.Keys).Where(k => !ChannelDifference.Same(was.Settings, to.Settings, k)).ToList();
        if (turned.Count == 1)
            yield return new SetParameter(channel, to.Id, turned[0], to.Settings.TryGetValue(turned[0], out var value) ? value : null);
        else if (turned.Count > 1)
            yield return new SetSettings(channel, to.Id, to.Settings);
        if (was.Off != to.Off)
            yield return new SwitchInsert(channel, to.Id, to.Off);
        if (!was.ParkedIn.Equals(to.ParkedIn))
            yield return new ParkInsert(channel, to.Id, to.ParkedIn);
        if (was.Key != to.Key)
            yield return new SetKey(channel, to.Id, to.Key);
        if (was.WaitsFor != to.WaitsFor)
            yield return new SetWaitsFor(channel, to.Id, to.WaitsFor);
        if (was.Trigger != to.Trigger)
            yield return new SetTrigger(channel, to.Id, to.Trigger);
        if (was.KeptForAutomation != to.KeptForAutomation)
            yield return new KeepForAutomation(channel, to.Id, to.KeptForAutomation);
        foreach (var about in was.Notes.Keys.Union(to.Notes.Keys))
            if (to.Notes.GetValueOrDefault(about, "") is var note && was.Notes.GetValueOrDefault(about, "") != note)
                yield return new NoteInsert(channel, to.Id, about.Length == 0 ? null : about, note);
    }

    /// <summary>What goes is taken away first: an insert is of one chain at most.</summary>
    private static IEnumerable<Edit> Chains(Channel from, Channel to) =>
        from.Chains.Where(c => !to.Chains.Contains(c)).Select(c => (Edit)new RemoveChain(to.Id, c.Id))
            .Concat(to.Chains.Where(c => !from.Chains.Contains(c)).Select(c => new PutChain(to.Id, c)));

    private static IEnumerable<Edit> Sends(Channel from, Channel to) =>
        from.Sends.Where(s => to.Sends.All(o => o.To != s.To)).Select(s => (Edit)new RemoveSend(to.Id, s.To))
            .Concat(to.Sends.Where(s => !from.Sends.Contains(s)).Select(s => new PutSend(to.Id, s)));

    private static IEnumerable<Edit> Feeds(Channel from, Channel to) =>
        from.Feeds.Where(f => !to.Feeds.Any(o => o.Channel == f.Channel && o.Insert == f.Insert)).Select(f => (Edit)new RemoveFeed(to.Id, f.Channel, f.Insert))
            .Concat(to.Feeds.Where(f => !from.Feeds.Contains(f)).Select(f => new PutFeed(to.Id, f)));

    private static IEnumerable<Edit> Shapes(Channel from, Channel to) =>
        from.Shapes.Where(s => !to.Shapes.Any(o => o.Target == s.Target && o.Section == s.Section)).Select(s => (Edit)new RemoveShape(to.Id, s.Target, s.Section))
            .Concat(to.Shapes.Where(s => !from.Shapes.Contains(s)).Select(s => new PutShape(to.Id, s)));
}
