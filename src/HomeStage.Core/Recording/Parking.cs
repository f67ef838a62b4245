using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Routing;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Recording;

/// <summary>Which inserts to park in an act so that every monitored input is heard in time.</summary>
/// <param name="Before">How late the inputs are as it stands.</param>
/// <param name="After">How late they are with these parked.</param>
/// <param name="Inserts">In the order of the template; empty where all are in time, or none can help.</param>
/// <param name="BuffersAlone">Whether the interface's buffers alone take longer than there is.</param>
/// <param name="IsExact">Whether no smaller set does it; a greedy choice where there are too many to try.</param>
public sealed record Parking(
    IReadOnlyList<MonitoredPath> Before, IReadOnlyList<MonitoredPath> After, IReadOnlyList<(ChannelId Channel, InsertId Insert)> Inserts, bool BuffersAlone, bool IsExact)
{
    /// <param name="compiled">The template as it stands in the studio (<see cref="InStudio"/>).</param>
    public static Parking Of(CompiledAct compiled, Studio studio)
    {
        var before = MonitoredPath.Of(compiled, studio);
        var room = (long)Math.Floor(studio.BudgetMs * compiled.Template.SampleRateHz / 1000 + 1e-6) - 2 * studio.Interface.BufferFrames;
        if (room < 0)
            return new(before, before, [], BuffersAlone: true, IsExact: true);
        var meter = new PathMeter(compiled);
        var inputs = MonitoredPath.Monitored(compiled).ToList();
        var (parked, needs, isExact) = (new HashSet<int>(), new List<Need>(), true);
        while (true)
        {
            var late = meter.Lateness(parked);
            var routes = inputs.Select(c => meter.Route(c, parked, late)).ToList();
            var over = routes.Where(r => r.Frames > room).ToList();
            if (over.Count == 0)
                return new(before, [.. routes.Select(r => MonitoredPath.Of(compiled, studio, r.Channel, r.Frames))], [.. parked.Order().Select(s => Named(meter, s))], BuffersAlone: false, isExact);
            // What is too late by its longest way must lose enough of it, whatever else is parked; ways come to light one after the other.
            needs.AddRange(over.Select(r => NeedOf(meter, r, room)));
            var cover = Covering.Of(needs, needs.SelectMany(n => n.Gives.Keys.Concat(n.Whole)).Distinct().ToDictionary(i => i, i => (long)meter.LatencyOf(i)))
                ?? throw new InvalidOperationException("With every insert parked nothing is late but the buffers.");
            (parked, isExact) = ([.. cover.Items], cover.IsExact);
        }
    }

    /// <summary>Parks them in the act.</summary>
    public Sequence<Edit> Edits(Template template, string act) => Inserts
        .Select(i => (Edit)new ParkInsert(i.Channel, i.Insert, template.Channels[i.Channel].Inserts.First(x => x.Id == i.Insert).ParkedIn.Add(act))).ToSequence();

    private static Need NeedOf(PathMeter meter, Route route, long room)
    {
        var gives = route.Late.Where(s => meter.Graph.Stages[s].Kind == StageKind.Insert).ToDictionary(s => s, s => (long)meter.LatencyOf(s));
        return new(route.Late.Sum(s => (long)meter.LatencyOf(s)) - room, gives, route.Junctions.ToHashSet());
    }

    private static (ChannelId Channel, InsertId Insert) Named(PathMeter meter, int stage) =>
        (meter.Graph.Template.Channels[meter.Graph.Stages[stage].Channel].Id, meter.InsertAt(meter.Graph.Stages[stage]).Id);
}
