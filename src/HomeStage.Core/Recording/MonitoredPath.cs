using HomeStage.Core.Catalogue;
using HomeStage.Core.Compiling;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Recording;

/// <summary>How late a monitored hardware input is heard: the interface's buffers, and its chain to the output.</summary>
/// <param name="Channel">The channel that it comes in on.</param>
/// <param name="BufferFrames">In and out together.</param>
/// <param name="ChainFrames">Inserts on the way, and what it waits for at keys that are later.</param>
/// <param name="UnknownLatency">Names of devices on the way that do not say how late they are: it may be later by theirs.</param>
public sealed record MonitoredPath(ChannelId Channel, int BufferFrames, int ChainFrames, int SampleRateHz, Sequence<string> UnknownLatency)
{
    public double BufferMs => 1000.0 * BufferFrames / SampleRateHz;

    public double ChainMs => 1000.0 * ChainFrames / SampleRateHz;

    public double Milliseconds => 1000.0 * (BufferFrames + ChainFrames) / SampleRateHz;

    /// <param name="compiled">The template as it stands in the studio (<see cref="InStudio"/>).</param>
    /// <returns>One for every channel that a monitored input comes in on and that runs in the act, in the order of the template.</returns>
    public static IReadOnlyList<MonitoredPath> Of(CompiledAct compiled, Studio studio)
    {
        var meter = new PathMeter(compiled);
        var nothing = new HashSet<int>();
        var late = meter.Lateness(nothing);
        return [.. Monitored(compiled).Select(c => Of(compiled, studio, c, meter.Route(c, nothing, late).Frames))];
    }

    internal static MonitoredPath Of(CompiledAct compiled, Studio studio, int channel, int chainFrames) =>
        new(compiled.Template.Channels[channel].Id, 2 * studio.Interface.BufferFrames, chainFrames, compiled.Template.SampleRateHz, Unknown(compiled, channel));

    /// <summary>Indexes of the channels that a monitored input comes in on.</summary>
    internal static IEnumerable<int> Monitored(CompiledAct compiled) =>
        Enumerable.Range(0, compiled.Template.Channels.Count).Where(c => compiled.Graph.Runs(c) && compiled.Template.Channels[c].Source is InputSource { Monitored: true });

    private static Sequence<string> Unknown(CompiledAct compiled, int channel)
    {
        var names = new List<string>();
        for (var at = compiled.Template.Channels[channel]; ; at = compiled.Template.Channels[at.Destination!.Value])
        {
            names.AddRange(at.Inserts.Where(i => i.IsLiveIn(compiled.Template, compiled.Act) && i.Device is { Latency: null }).Select(i => i.Title()));
            if (at.Destination is not { } to || !compiled.Template.Channels.Contains(to))
                return names.Distinct().ToSequence();
        }
    }
}
