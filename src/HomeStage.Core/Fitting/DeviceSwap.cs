using HomeStage.Core.Automation;
using HomeStage.Core.Controls;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Fitting;

/// <summary>Another device in the place of one: strip, sends, feeds, splits, notes, starters and levels stay, and so do the values, curves and levers
/// of controls that both have, by id, else by name.</summary>
/// <param name="Edits">Apply whole.</param>
/// <param name="Left">What has no counterpart on the new device, a sentence each.</param>
public sealed record DeviceSwap(Sequence<Edit> Edits, Sequence<string> Left)
{
    /// <param name="channel">A channel of the template.</param>
    /// <param name="insert">An insert of it; null for its instrument.</param>
    public static DeviceSwap Of(Template template, ChannelId channel, InsertId? insert, OutsideDevice device)
    {
        var on = template.Channels[channel];
        var was = insert is { } id ? on.Inserts.FirstOrDefault(i => i.Id == id)?.Device : (on.Source as InstrumentSource)?.Device;
        var settings = insert is { } at ? on.Inserts.FirstOrDefault(i => i.Id == at)?.Settings ?? Map<double>.Empty : (on.Source as InstrumentSource)?.Settings ?? Map<double>.Empty;
        var (before, after, left) = (new List<Edit>(), new List<Edit>(), new List<string>());
        // One lever may move several of its controls.
        var levers = template.Levers.ToDictionary(l => l.Id, StringComparer.Ordinal);
        foreach (var control in was?.Controls ?? [])
        {
            var other = device.Controls.FirstOrDefault(c => c.Id == control.Id)
                ?? device.Controls.FirstOrDefault(c => string.Equals(c.Name, control.Name, StringComparison.OrdinalIgnoreCase) && was!.Controls.All(o => o.Id != c.Id));
            var target = TargetOf(insert, control.Setting);
            var curves = on.Shapes.Where(s => s.Target == target).ToList();
            var moved = levers.Values.Where(l => l.Ranges.Any(r => r.Channel == channel && r.Target == target)).ToList();
            double? value = settings.TryGetValue(control.Setting, out var set) ? set : null;
            var takes = other is not null && Takes(other, value, curves, moved, channel, target);
            if (!takes && (value is not null || curves.Count > 0 || moved.Count > 0))
                left.Add(Said(control, value, curves.Count, moved.Count, device));
            // What has no counterpart waits for its device's return, unless the same id means another range by then.
            if (other is null || (takes && other.Id == control.Id))
                continue;
            if (value is not null)
                before.Add(Set(channel, insert, control.Setting, null));
            before.AddRange(curves.Select(s => new RemoveShape(channel, s.Target, s.Section)));
            var to = takes ? TargetOf(insert, other.Setting) : null;
            foreach (var lever in moved)
                levers[lever.Id] = lever with { Ranges = lever.Ranges.SelectMany(r => r.Channel != channel || r.Target != target ? [r] : to is null ? Array.Empty<LeverRange>() : [r with { Target = to }]).ToSequence() };
            if (!takes)
                continue;
            if (value is not null)
                after.Add(Set(channel, insert, other.Setting, value));
            after.AddRange(curves.Select(s => new PutShape(channel, s with { Target = to! })));
        }

        after.AddRange(template.Levers.Where(l => levers[l.Id] != l).Select(l => new PutLever(levers[l.Id])));
        return new([.. before, new SetDevice(channel, insert, device), .. after], left.ToSequence());
    }

    private static Target TargetOf(InsertId? insert, string setting) => insert is { } id ? new InsertTarget(id, setting) : new InstrumentTarget(setting);

    private static Edit Set(ChannelId channel, InsertId? insert, string setting, double? value) =>
        insert is { } id ? new SetParameter(channel, id, setting, value) : new SetInstrumentSetting(channel, setting, value);

    private static bool Takes(DeviceControl other, double? value, List<Shape> curves, List<Lever> levers, ChannelId channel, Target target)
    {
        bool Within(double v) => v >= other.Min && v <= other.Max && (other.Unit is not Unit.Choice || v == Math.Floor(v));
        return (value is null || Within(value.Value))
            && curves.All(s => s.Points.All(p => Within(p.Value)))
            && levers.All(l => l.Ranges.Where(r => r.Channel == channel && r.Target == target).All(r => Within(r.From) && Within(r.To)));
    }

    private static string Said(DeviceControl control, double? value, int curves, int levers, OutsideDevice device)
    {
        var what = new List<string>();
        if (value is { } number)
            what.Add(FormattableString.Invariant($"its value {number:0.##}{(control.Unit.Symbol() is { Length: > 0 } unit ? $" {unit}" : "")}"));
        if (curves > 0)
            what.Add(curves == 1 ? "a curve" : FormattableString.Invariant($"{curves} curves"));
        if (levers > 0)
            what.Add(levers == 1 ? "a lever" : FormattableString.Invariant($"{levers} levers"));
        return $"{control.Name}: {device.Name} has no control for {string.Join(", ", what)}";
    }
}
