using HomeStage.Core.Templates;

namespace HomeStage.Core.Routing;

/// <summary>A template as stages and links, before anything is known of loops.</summary>
/// <remarks>Without an act, closed sends, parked inserts and switched-off keys are links all the same: a loop that
/// needs only a switch to sound is a loop.</remarks>
public sealed class SignalGraph
{
    private readonly Template _template;
    private readonly string? _act;
    private readonly List<Stage> _stages;
    private readonly List<Link> _links;
    private readonly int[] _first;
    private readonly int[] _input;
    private readonly bool[] _runs;

    /// <param name="act">Null for the whole template; an act's id for what runs in it.</param>
    public SignalGraph(Template template, string? act = null)
    {
        _template = template;
        _act = act;
        _stages = [];
        _links = [];
        _first = new int[template.Channels.Count];
        _input = new int[template.Channels.Count];
        _runs = new bool[template.Channels.Count];
        for (var c = 0; c < template.Channels.Count; c++)
            AddStages(c);
        for (var c = 0; c < template.Channels.Count; c++)
            AddLinks(c);
    }

    /// <summary>The stages and links of another graph, over a template that has the same.</summary>
    private SignalGraph(Template template, SignalGraph same)
    {
        _template = template;
        (_act, _stages, _links, _first, _input, _runs) = (same._act, same._stages, same._links, same._first, same._input, same._runs);
    }

    public Template Template => _template;

    public IReadOnlyList<Stage> Stages => _stages;

    public IReadOnlyList<Link> Links => _links;

    /// <returns>The same graph over another template, or null where that one has other stages or links.</returns>
    public SignalGraph? On(Template other) =>
        other.Channels.Count == _template.Channels.Count && (other.Key is null) == (_template.Key is null) && _template.Channels.Zip(other.Channels).All(x => GraphParts.Same(x.First, x.Second, _act))
            ? new(other, this)
            : null;

    /// <summary>Whether the channel at this index is out of the wings.</summary>
    public bool Runs(int channel) => _runs[channel];

    public int InputOf(int channel) => _input[channel];

    public int InsertOf(int channel, int insert) => _input[channel] + 1 + insert;

    public int PreOf(int channel) => InsertOf(channel, _template.Channels[channel].Inserts.Count);

    public int PostOf(int channel) => PreOf(channel) + 1;

    /// <returns>The stage that plays the channel's instrument or its sounds, or −1.</returns>
    public int PlayerOf(int channel) => _first[channel] == _input[channel] ? -1 : _first[channel];

    private void AddStages(int c)
    {
        var channel = _template.Channels[c];
        _runs[c] = _act is null || channel.StageIn(_act) != StageState.InTheWings;
        _first[c] = _stages.Count;
        if (channel.Source is InstrumentSource or InputSource { Monitored: true } || channel.Starters.Count > 0)
            _stages.Add(new(c, StageKind.Player));
        _input[c] = _stages.Count;
        _stages.Add(new(c, StageKind.Input));
        for (var i = 0; i < channel.Inserts.Count; i++)
            _stages.Add(new(c, StageKind.Insert, i));
        _stages.Add(new(c, StageKind.Pre));
        _stages.Add(new(c, StageKind.Post));
    }

    private void AddLinks(int c)
    {
        if (!_runs[c])
            return;
        var channel = _template.Channels[c];
        for (var stage = _input[c]; stage < PostOf(c); stage++)
            Join(stage, stage + 1, LinkKind.Within);
        if (PlayerOf(c) >= 0)
            Join(PlayerOf(c), _input[c], LinkKind.InstrumentOutput, output: 1);
        if (channel.Source is OutputSource { Monitored: true } split && RunningIndex(split.Instrument) is { } player && PlayerOf(player) >= 0)
            Join(PlayerOf(player), _input[c], LinkKind.InstrumentOutput, output: split.Output);
        if (channel.Source is InternalSource recorded && RunningIndex(recorded.From) is { } from)
            Join(Tap(from, recorded.Tap), _input[c], LinkKind.Internal);
        if (channel.Destination is { } to && RunningIndex(to) is { } target)
            Join(PostOf(c), _input[target], LinkKind.Destination);
        AddSends(c, channel);
        AddFeeds(c, channel);
    }

    private void AddSends(int c, Channel channel)
    {
        foreach (var send in channel.Sends)
            if ((_act is null || send.Open) && RunningIndex(send.To) is { } target)
                Join(Tap(c, send.Tap), _input[target], LinkKind.Send, send.Level);
    }

    private void AddFeeds(int c, Channel channel)
    {
        foreach (var feed in channel.Feeds)
        {
            if (RunningIndex(feed.Channel) is not { } target)
                continue;
            var strip = _template.Channels[target].Inserts;
            var place = strip.IndexWhere(i => i.Id == feed.Insert);
            if (place >= 0 && (_act is null || (strip[place].IsLiveIn(_template, _act) && strip[place].Key is { On: true })))
                Join(Tap(c, feed.Tap), InsertOf(target, place), LinkKind.Key, feed.Level);
        }
    }

    private int Tap(int channel, TapPoint tap) => tap == TapPoint.Pre ? PreOf(channel) : PostOf(channel);

    private int? RunningIndex(ChannelId id) => _template.Channels.IndexOf(id) is var index and >= 0 && _runs[index] ? index : null;

    private void Join(int from, int to, LinkKind kind, Decibels level = default, int output = 0) =>
        _links.Add(new(from, to, kind, level, output));
}
