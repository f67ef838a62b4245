using HomeStage.Core.Compiling;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Listening;

/// <summary>The part of the signal graph that sounds and leads to the listening point.</summary>
internal sealed class HeardGraph
{
    private readonly RenderRequest _request;
    private readonly CompiledAct _compiled;
    private readonly HashSet<int> _needed;
    private readonly HashSet<int> _sounding;
    private readonly HashSet<ChannelId> _readAfterFader;

    /// <param name="request">Held against the template before.</param>
    public HeardGraph(CompiledTemplate compiled, RenderRequest request)
    {
        _request = request;
        _compiled = compiled.In(request.Act);
        var template = compiled.Template;
        var channel = template.Channels.IndexOf(request.ListenTo ?? template.Main.Id);
        Listened = ListenedStage(template, channel);
        LatencyFrames = LatenessOf(Listened) - (request.Point is ListeningPoint.Key or ListeningPoint.Detector or ListeningPoint.BeforeInsert ? OwnLatency(Listened) : 0);
        // What nobody plays into is silent for good, and what does not lead to the listening point is not heard. A channel
        // works as a whole, so what its strip hears after the listening point is needed too.
        _needed = Upstream(Graph.PostOf(channel));
        _sounding = Sounding();
        _readAfterFader = [.. Graph.Links.Select(l => l.From).Append(Listened).Where(s => Graph.Stages[s].Kind == StageKind.Post).Select(s => ChannelOf(s).Id)];
        Stages = [.. _compiled.Order.Where(_needed.Contains).Where(_sounding.Contains)];
        foreach (var stage in Stages)
            foreach (var (link, _) in Entering(stage).Where(x => x.Link.Kind != LinkKind.Within))
                Taken.Add(link.From);
        Taken.Add(Listened);
    }

    public SignalGraph Graph => _compiled.Graph;

    public int Listened { get; }

    public ListeningPoint Point => _request.Point;

    /// <summary>How late the listening point is.</summary>
    public int LatencyFrames { get; }

    /// <summary>The largest lateness of any stage, whatever is listened to.</summary>
    public int LongestLatencyFrames => _compiled.HeardCompensation.LatenessFrames.DefaultIfEmpty(0).Max();

    /// <summary>The stages that work, each after all that feed it.</summary>
    public IReadOnlyList<int> Stages { get; }

    /// <summary>The stages whose signal something takes.</summary>
    public HashSet<int> Taken { get; } = [];

    /// <returns>The stage at which a stem is taken.</returns>
    public int StageOf(Stem stem)
    {
        var channel = Graph.Template.Channels.IndexOf(stem.Channel);
        return stem.Point switch
        {
            StemPoint.Input => Graph.InputOf(channel),
            StemPoint.BeforeFader => Graph.PreOf(channel),
            _ => Graph.PostOf(channel),
        };
    }

    public Channel ChannelOf(int stage) => Graph.Template.Channels[Graph.Stages[stage].Channel];

    /// <summary>Whether the meters of a channel read after its fader: where something goes on from there, in this render or not, or
    /// it is listened to. They read before it where its signal leaves before the fader alone, as that of a trigger.</summary>
    public bool IsReadAfterFader(ChannelId channel) => _readAfterFader.Contains(channel);

    public bool Sounds(int stage) => _sounding.Contains(stage);

    public int LatenessOf(int stage) => _compiled.HeardCompensation.LatenessFrames[stage];

    /// <summary>What enters a stage, with the frames by which it waits: what an instrument is late by among them, since its stand-in is not.</summary>
    public IEnumerable<(Link Link, int Padding)> Entering(int stage) =>
        _compiled.Entering[stage].Select(l => (Graph.Links[l], _compiled.HeardCompensation.PaddingFrames[l] + PlayersOwn(Graph.Links[l])));

    /// <summary>What enters a stage from other channels and sounds.</summary>
    public IEnumerable<(Link Link, int Padding)> SoundingInto(int stage) =>
        Entering(stage).Where(x => x.Link.Kind != LinkKind.Within && _sounding.Contains(x.Link.From));

    /// <returns>Frames by which a stage is later than what enters it.</returns>
    public int OwnLatency(int stage) => _compiled.HeardCompensation.OwnFrames[stage];

    private int PlayersOwn(Link link) => link.Kind == LinkKind.InstrumentOutput ? LatenessOf(link.From) : 0;

    private int ListenedStage(Template template, int channel) => _request.Point switch
    {
        ListeningPoint.AfterFader => Graph.PostOf(channel),
        ListeningPoint.BeforeFader => Graph.PreOf(channel),
        ListeningPoint.Feeding => Graph.InputOf(channel),
        _ when _request.Point.IsWithin() => Graph.InsertOf(channel, template.Channels[channel].Inserts.IndexWhere(i => i.Id == _request.Insert)),
        _ => throw new InvalidOperationException($"{_request.Point} is not a listening point."),
    };

    /// <returns>The stage and all that lead to it, whether they sound or not.</returns>
    public HashSet<int> Upstream(int stage) => _compiled.Upstream([stage]);

    /// <returns>The channel and those whose strips lead to it, in the template's order. An instrument of which only other outputs
    /// lead there is not one of them: its player is heard, its strip is not.</returns>
    public IEnumerable<Channel> StripsLeadingTo(int channel) =>
        Upstream(Graph.PostOf(channel)).Where(s => Graph.Stages[s].Kind == StageKind.Input).Order().Select(ChannelOf);

    private IEnumerable<int> From(int stage) => _compiled.Entering[stage].Select(l => Graph.Links[l].From);

    private HashSet<int> Sounding()
    {
        var sounding = new HashSet<int>();
        foreach (var stage in _compiled.Order)
            if (Graph.Stages[stage].Kind == StageKind.Player || From(stage).Any(sounding.Contains))
                sounding.Add(stage);
        return sounding;
    }
}
