using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Refitting;

/// <summary>An old template as it is brought onto a plan, step by step; a step that would close a loop is not taken.</summary>
internal sealed class RefitStage
{
    private readonly Template _plan;
    private readonly RefitPlaces _places;
    private readonly RefitWish _wish;
    private readonly bool _isCareful;
    private readonly Dictionary<ChannelId, ChannelId> _here;
    private readonly List<RefitLine> _lines = [];

    /// <param name="isCareful">Whether each step is looked through for loops, which takes long with many channels.</param>
    public RefitStage(Template old, Template plan, RefitWish wish, bool isCareful)
    {
        (_plan, _wish, _isCareful, Now) = (plan, wish, isCareful, old);
        _places = new(old, plan, wish.Said);
        _here = _places.Matched.ToDictionary(m => m.Key, m => m.Value.Old);
        Sums();
        foreach (var channel in old.Channels.Where(c => Capabilities.Of(c.Kind).FeedsASum && !_places.StandingFor.Contains(c.Id)))
            Place(old, channel);
        Now = RefitKeys.Steered(Now, plan, _here.Where(h => _lines.Exists(l => l.Channel == h.Value)));
    }

    public Template Now { get; private set; }

    public IReadOnlyList<RefitLine> Lines => _lines;

    /// <summary>The plan's sums that stand for something here, that something goes to, or that those go to; made where they are missing.</summary>
    private void Sums()
    {
        var wanted = _here.Keys.Concat(_places.Found.Where(f => !_places.GoesAlong(Now.Channels[f.Key], f.Value.Sum)).Select(f => f.Value.Sum))
            .Concat(_wish.Sends == RefitSends.None ? [] : _places.Found.Values.SelectMany(f => f.Like?.Sends ?? []).Select(s => s.To)).ToHashSet();
        foreach (var sum in wanted.ToList())
            wanted.UnionWith(DestinationWay.Of(_plan, _plan.Channels[sum]));
        // From the main outwards: what one goes to is there before it.
        var ordered = _plan.Channels.Where(c => wanted.Contains(c.Id) && c.Kind != ChannelKind.Main).OrderBy(c => DestinationWay.Of(_plan, c).Count()).ToList();
        foreach (var sum in ordered)
        {
            if (_here.TryGetValue(sum.Id, out var known))
                StandFor(sum, Now.Channels[known]);
            else
                Make(sum);
        }
    }

    private void StandFor(Channel sum, Channel here)
    {
        var to = sum.Destination is { } next ? _here[next] : here.Destination;
        var moved = Try(here with { Destination = to });
        var laid = Now.Channels[here.Id];
        if (_wish.Strips == RefitStrips.All || (_wish.Strips == RefitStrips.WhereEmpty && here.Inserts.Count == 0))
            laid = laid with { Inserts = Strip(sum), Chains = sum.Chains };
        if (_wish.Colours)
            laid = laid with { HueDegrees = sum.HueDegrees };
        Now = LostFeeds.TakenAway(Now.Replace(laid), [here.Id]);
        var why = _places.Matched[sum.Id].Why + (moved ? "" : "; moving it would close a loop, so it goes where it went");
        _lines.Add(new(here.Id, here.Name, RefitKind.StandsFor, sum.Id, sum.Name, why, NameOf(here.Destination), MayTurn: false));
    }

    private void Make(Channel sum)
    {
        var id = ChannelFactory.FreshId(Now, sum.Name);
        var made = new Channel
        {
            Id = id,
            Name = Now.FreeName(sum.Name),
            Kind = sum.Kind,
            Format = sum.Format,
            Role = sum.Role,
            Note = sum.Note,
            HueDegrees = _wish.Colours ? sum.HueDegrees : null,
            Destination = _here[sum.Destination!.Value],
            // A return without its effect would only double what is sent to it.
            Inserts = _wish.Strips == RefitStrips.None && sum.Kind == ChannelKind.Bus ? [] : Strip(sum),
            Chains = _wish.Strips == RefitStrips.None && sum.Kind == ChannelKind.Bus ? [] : sum.Chains,
        };
        _here[sum.Id] = id;
        Now = Now with { Channels = Now.Channels.Insert(Now.Channels.Count, made) };
        _lines.Add(new(id, made.Name, RefitKind.Made, sum.Id, sum.Name, sum.Kind == ChannelKind.Return ? "sends go to it" : "something goes to it, and nothing stands for it", "", MayTurn: false));
    }

    /// <summary>Keys wait, switched off, until what steers them is found; acts that are not here are forgotten.</summary>
    private Sequence<Insert> Strip(Channel sum) => sum.Inserts.Select(i => i with
    {
        Off = i.Off || i.Key is { On: true } || i.Trigger is { Notes.Count: > 0 },
        Trigger = i.Trigger is { } trigger ? trigger with { Notes = [] } : null,
        ParkedIn = i.ParkedIn.Where(a => Now.Acts.Any(x => x.Id == a)).ToSequence(),
    }).ToSequence();

    private void Place(Template old, Channel channel)
    {
        var (from, isSum) = (NameOf(channel.Destination), SumMatch.IsSum(channel));
        if (!_places.Found.TryGetValue(channel.Id, out var place))
        {
            _lines.Add(new(channel.Id, channel.Name, RefitKind.NoPlace, null, "", _wish.Said.ContainsKey(channel.Id.Value) ? "as you said" : isSum ? "what is in it goes apart" : "nothing tells where it belongs", from, MayTurn: true));
            return;
        }

        var (sum, goesAlong) = (_plan.Channels[place.Sum], _places.GoesAlong(channel, place.Sum));
        var to = goesAlong ? channel.Destination!.Value : _here[place.Sum];
        var wasMoved = to != channel.Destination;
        if (!Try(Now.Channels[channel.Id] with { Destination = to, HueDegrees = _wish.Colours && wasMoved && !isSum ? null : channel.HueDegrees }))
        {
            _lines.Add(new(channel.Id, channel.Name, RefitKind.NoPlace, place.Sum, sum.Name, "moving it there would close a loop", from, MayTurn: true));
            return;
        }

        Send(channel, place.Like);
        var why = goesAlong ? $"goes with {old.Channels[channel.Destination!.Value].Name}" : place.Why;
        _lines.Add(new(channel.Id, channel.Name, wasMoved ? RefitKind.Moves : RefitKind.Stays, place.Sum, sum.Name, why, from, MayTurn: true));
    }

    private void Send(Channel channel, Channel? like)
    {
        if (_wish.Sends == RefitSends.None || like is null || !Capabilities.Of(channel.Kind).Sends)
            return;
        foreach (var send in like.Sends.Where(s => _here.ContainsKey(s.To) && Now.Channels[channel.Id].Sends.All(own => own.To != _here[s.To])))
            Try(ConnectionOrder.Sorted(Now.Channels[channel.Id] with { Sends = Now.Channels[channel.Id].Sends.Add(send with { To = _here[send.To], Open = send.Open && _wish.Sends == RefitSends.AsPlanned }) }));
    }

    private string NameOf(ChannelId? id) => id is { } known ? Now.Channels[known].Name : "";

    private bool Try(Channel changed)
    {
        if (Now.Channels[changed.Id] == changed)
            return true;
        var next = Now.Replace(changed);
        if (DestinationRing(next, changed) || (_isCareful && LoopRule.Check(next) is not null))
            return false;
        Now = next;
        return true;
    }

    private static bool DestinationRing(Template next, Channel changed) => DestinationWay.Of(next, changed).Contains(changed.Id);
}
