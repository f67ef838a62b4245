using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.DawProject;

/// <summary>What remains to be done by hand where a project has been opened in a workstation: everything of a template that the format cannot say.</summary>
public static class HandworkList
{
    /// <returns>By sort of work, within it in the running order; one line where several channels want the same that can be done to all of them at once.</returns>
    public static IReadOnlyList<Handwork> Of(Template template) =>
        [.. Together(Core.Routing.RunningOrder.Of(template).SelectMany(r => On(template, r.Channel))).Concat(template.Levers.Select(l => Lever(template, l))).OrderBy(w => w.Kind)];

    /// <summary>What is set on many channels alike is one line; what a test shows of each by itself stays apart, and so does what one channel wants twice.</summary>
    private static IEnumerable<Handwork> Together(IEnumerable<ChannelWork> work) =>
        from same in work.GroupBy(w => (w.Kind, w.Channel.Id, w.What)).SelectMany(g => g.Select((w, time) => (Work: w, Time: time)))
        group same.Work by (same.Work.Kind, same.Work.What, same.Time, Alone: same.Work is { Kind: HandworkKind.Set, Proof: null } ? null : same.Work.Channel) into line
        let first = line.First()
        select new Handwork(first.Kind, line.Count() == 1 ? first.Channel.Id : null, $"{string.Join(", ", line.Select(w => w.Channel.Name))}: {first.What}") { Proof = first.Proof };

    private static IEnumerable<ChannelWork> On(Template template, Channel channel) =>
        [.. SourceOf(template, channel), .. channel.Inserts.SelectMany(i => InsertOf(template, channel, i)), .. Connections(template, channel), .. Settings(template, channel), .. Curves(template, channel)];

    private static IEnumerable<ChannelWork> SourceOf(Template template, Channel channel)
    {
        var work = channel.Source switch
        {
            InstrumentSource { Device: { } device } when DeviceElements.Plugin(device, "instrument", "x") is null => (HandworkKind.PutIn, $"put in {device.Name}"),
            InstrumentSource { Device: null } played => (HandworkKind.PutIn, $"put an instrument where {InstrumentCatalogue.Find(played.Instrument)?.Name ?? played.Instrument} stood in"),
            OutputSource split => (HandworkKind.Patch, $"takes {Jack(template.Channels[split.Instrument], split.Output)} of {template.Channels[split.Instrument].Name}"),
            InputSource { Second: { } second } input => (HandworkKind.Patch, $"takes inputs {input.First} and {second}"),
            InputSource input => (HandworkKind.Patch, $"takes input {input.First}"),
            // What holds its print has been recorded, and the print comes with the project.
            InternalSource recorded when !channel.HoldsPrint() => (HandworkKind.Patch, $"records {template.Channels[recorded.From].Name}"),
            _ => ((HandworkKind, string)?)null,
        };
        if (work is var (kind, words))
            yield return Said(kind, channel, words) with { Proof = ProofOf(channel) };
        if (channel.OutputPair is { } pair && (channel.Kind == ChannelKind.Direct || pair != 1))
            yield return Said(HandworkKind.Patch, channel, $"goes to outputs {2 * pair - 1} and {2 * pair}");
    }

    private static WorkProof? ProofOf(Channel channel) => channel.Source switch
    {
        InstrumentSource => new WorkProof.Plays(channel.Id),
        OutputSource or InternalSource => new WorkProof.Whole(channel.Id, AsHere: false),
        _ => null,
    };

    /// <summary>A ducker is shown by giving way, an effect by its sound. What may do nothing at all in a test, as a limiter does, is shown by nothing.</summary>
    private static WorkProof? ProofOf(Template template, Channel channel, Insert insert) =>
        !insert.IsLiveIn(template, template.FinalAct.Id) ? null
        : insert.Processor == ProcessorCatalogue.Ducker ? new WorkProof.GivesWay(channel.Id, insert.Id, null)
        : insert.Find("wet-percent") is { } wet && wet.In(insert.Settings) > 0 ? new WorkProof.Whole(channel.Id, AsHere: true)
        : null;

    private static string Jack(Channel player, int output) =>
        player.Source is InstrumentSource { Kit: { } kit } ? $"output {kit.JackLabel(output)}" : FormattableString.Invariant($"output {output}");

    private static IEnumerable<ChannelWork> InsertOf(Template template, Channel channel, Insert insert)
    {
        if (insert.Device is { } device)
        {
            if (DeviceElements.Plugin(device, "audioFX", "x") is null)
                yield return Said(HandworkKind.PutIn, channel, $"put in {device.Name}{InsertNumbers.Of(insert, p => IsDeviceControl(insert, p))}") with { Proof = ProofOf(template, channel, insert) };
            else if (InsertNumbers.Of(insert, p => IsDeviceControl(insert, p)) is { Length: > 0 } set)
                yield return Said(HandworkKind.Set, channel, $"set {device.Name}{set}");
        }
        else if (DeviceElements.Of(template, channel, insert, template.FinalAct.Id) is null)
        {
            yield return Said(HandworkKind.PutIn, channel, $"put in {insert.Title().ToLowerInvariant()}{InsertNumbers.OfAnEffect(insert)}") with { Proof = ProofOf(template, channel, insert) };
        }
        else if (Unsaid(insert) is { Length: > 0 } unsaid)
        {
            yield return Said(HandworkKind.Set, channel, $"set the {insert.Title().ToLowerInvariant()}{unsaid}");
        }
    }

    private static bool IsDeviceControl(Insert insert, Parameter parameter) => insert.Device!.Controls.Any(c => c.Parameter.Id == parameter.Id);

    /// <summary>Values of a generic device that the format has no word for, as far as they are not at rest; its key's filters with them.</summary>
    private static string Unsaid(Insert insert)
    {
        var said = InsertNumbers.Of(insert, p => DeviceElements.ValueOf(insert, p.Id) is null && !IsSaidAsBand(p.Id) && p.In(insert.Settings) != Rest(p));
        return said + (insert.Key?.LowCutHz is { } low ? FormattableString.Invariant($", its key above {low:0.#} Hz") : "") + (insert.Key?.HighCutHz is { } high ? FormattableString.Invariant($", its key below {high:0.#} Hz") : "");
    }

    /// <summary>Where a value does nothing: for a knee that is hard, which is what a device without one has.</summary>
    private static double Rest(Parameter parameter) => parameter.Id == "knee-db" ? 0 : parameter.Default;

    /// <summary>Switches and slopes of an equaliser stand in its bands.</summary>
    private static bool IsSaidAsBand(string parameter) => parameter is "low-cut" or "low-cut-slope" or "notch" or "high-cut" or "high-cut-slope";

    private static IEnumerable<ChannelWork> Connections(Template template, Channel channel)
    {
        foreach (var feed in channel.Feeds)
            yield return Said(HandworkKind.Connect, channel,
                $"feed the key of {template.Channels[feed.Channel].Inserts.FirstOrDefault(i => i.Id == feed.Insert)?.Title() ?? "an insert"} on {template.Channels[feed.Channel].Name} at {feed.Level}, {(feed.Tap == TapPoint.Pre ? "before" : "after")} the fader") with
            { Proof = new WorkProof.GivesWay(feed.Channel, feed.Insert, channel.Id) };
        foreach (var played in channel.Plays)
            yield return Said(HandworkKind.Connect, channel, $"plays {template.Channels[played].Name}") with { Proof = new WorkProof.Plays(channel.Id) };
        foreach (var layer in channel.NoteInput?.Layers ?? [])
            yield return Said(HandworkKind.Connect, channel, $"plays {template.Channels[layer].Name} as well");
        foreach (var insert in channel.Inserts)
            foreach (var source in insert.Trigger?.Notes ?? [])
                yield return Said(HandworkKind.Connect, channel, $"notes of {template.Channels[source].Name} restart {insert.Title()}") with { Proof = new WorkProof.GivesWay(channel.Id, insert.Id, source) };
        if (channel.MidiOut is { } port)
            yield return Said(HandworkKind.Connect, channel, $"plays {port.Device}");
    }

    private static IEnumerable<ChannelWork> Settings(Template template, Channel channel)
    {
        if (channel.PolarityFlipped)
            yield return Said(HandworkKind.Set, channel, "turn it upside down") with { Proof = new WorkProof.Whole(channel.Id, AsHere: true) };
        if (channel.NoteProcessors.Count > 0)
            yield return Said(HandworkKind.Set, channel, $"put {channel.NoteProcessors.Count} note {(channel.NoteProcessors.Count == 1 ? "effect" : "effects")} before what plays");
        foreach (var starter in channel.Starters.Where(s => s.Level.Value != 0))
            yield return Said(HandworkKind.Set, channel, $"turn the clip {starter.Name} to {starter.Level}");
        foreach (var sends in channel.Sends.Where(s => !s.Open && !s.Level.IsSilence).GroupBy(s => s.Level))
            yield return Said(HandworkKind.Set, channel, $"closed sends to {string.Join(", ", sends.Select(s => template.Channels[s.To].Name))} open at {sends.Key}");
    }

    private static IEnumerable<ChannelWork> Curves(Template template, Channel channel) =>
        from value in MovableValue.On(template, channel)
        where channel.Shapes.Any(s => s.Target.Equals(value.Target)) && MovingElements.Place(channel, value.Target) is null
        select Said(HandworkKind.Draw, channel, $"draw the curve of {value.Name}");

    private static Handwork Lever(Template template, Core.Automation.Lever lever) => new(HandworkKind.Draw, null,
        $"make a control {lever.Name} that moves {string.Join(", ", lever.Ranges.Select(r => r.Channel).Distinct().Select(c => template.Channels.TryGet(c, out var there) ? there.Name : c.Value))}");

    private static ChannelWork Said(HandworkKind kind, Channel channel, string what) => new(kind, channel, what);

    /// <summary>What is to be done on one channel.</summary>
    private sealed record ChannelWork(HandworkKind Kind, Channel Channel, string What)
    {
        public WorkProof? Proof { get; init; }
    }
}
