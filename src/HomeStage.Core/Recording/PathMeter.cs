using HomeStage.Core.Compiling;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Recording;

/// <summary>Measures how late a monitored input is heard, with any set of inserts parked.</summary>
/// <remarks>On its way to the output nothing waits at sums, but at an insert with a key it waits for a key that is later.</remarks>
internal sealed class PathMeter
{
    private readonly CompiledAct _compiled;

    public PathMeter(CompiledAct compiled) => _compiled = compiled;

    public SignalGraph Graph => _compiled.Graph;

    public int LatencyOf(int stage) => _compiled.Compensation.OwnFrames[stage];

    public Insert InsertAt(Stage stage) => Graph.Template.Channels[stage.Channel].Inserts[stage.Insert];

    /// <summary>When everything arrives everywhere.</summary>
    /// <param name="parked">Stages of inserts.</param>
    /// <returns>By stage: frames, and the stage that it came from; −1 for a beginning.</returns>
    public (int Frames, int From)[] Lateness(IReadOnlySet<int> parked)
    {
        var late = new (int Frames, int From)[Graph.Stages.Count];
        foreach (var stage in _compiled.Order)
        {
            var (frames, from) = (0, -1);
            foreach (var link in _compiled.Entering[stage].Select(l => Graph.Links[l]))
                if ((link.Kind != LinkKind.Key || !parked.Contains(stage)) && (from < 0 || late[link.From].Frames > frames))
                    (frames, from) = (late[link.From].Frames, link.From);
            late[stage] = (frames + (parked.Contains(stage) ? 0 : LatencyOf(stage)), from);
        }

        return late;
    }

    /// <param name="channel">Index of a channel that a hardware input comes in on.</param>
    /// <param name="late">As <see cref="Lateness"/> has it with the same inserts parked.</param>
    public Route Route(int channel, IReadOnlySet<int> parked, (int Frames, int From)[] late)
    {
        var (frames, stages, junctions) = (0, new List<int>(), new List<int>());
        for (var at = (int?)channel; at is { } now; at = Next(now))
        {
            for (var stage = Graph.InputOf(now); stage <= Graph.PostOf(now); stage++)
            {
                if (parked.Contains(stage))
                {
                    stages.AddRange(LatencyOf(stage) > 0 ? [stage] : []);
                    continue;
                }

                foreach (var key in _compiled.Entering[stage].Select(l => Graph.Links[l]).Where(l => l.Kind == LinkKind.Key))
                    if (late[key.From].Frames > frames)
                    {
                        (frames, stages, junctions) = (late[key.From].Frames, [.. Behind(key.From, late)], [stage]);
                        junctions.AddRange(Junctions(key.From, late));
                    }

                frames += LatencyOf(stage);
                if (LatencyOf(stage) > 0)
                    stages.Add(stage);
            }
        }

        return new(channel, frames, stages, junctions);
    }

    private int? Next(int channel) =>
        Graph.Template.Channels[channel].Destination is { } to && Graph.Template.Channels.IndexOf(to) is var next and >= 0 && Graph.Runs(next) ? next : null;

    /// <summary>The stages on the longest way to one that are late themselves.</summary>
    private IEnumerable<int> Behind(int stage, (int Frames, int From)[] late)
    {
        for (var at = stage; at >= 0; at = late[at].From)
            if (LatencyOf(at) > 0)
                yield return at;
    }

    /// <summary>The keyed inserts that the longest way to a stage enters by their keys.</summary>
    private IEnumerable<int> Junctions(int stage, (int Frames, int From)[] late)
    {
        for (var at = stage; at >= 0; at = late[at].From)
            if (late[at].From is var from and >= 0 && Graph.Stages[at].Kind == StageKind.Insert && Graph.Stages[from].Channel != Graph.Stages[at].Channel)
                yield return at;
    }
}

/// <summary>The way by which an input is heard latest.</summary>
/// <param name="Channel">Index of the channel that it comes in on.</param>
/// <param name="Frames">From that channel to the output, without buffers.</param>
/// <param name="Late">Stages on it that are late themselves, parked ones too: what can be parked, and players.</param>
/// <param name="Junctions">Keyed inserts that it enters by their keys: parking one takes this way away.</param>
internal sealed record Route(int Channel, int Frames, IReadOnlyList<int> Late, IReadOnlyList<int> Junctions);
