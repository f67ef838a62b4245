using System.Globalization;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outside;

/// <summary>What is wrong, in sentences: a whole channel once, sources that changed places together.</summary>
internal static class OutsideFindings
{
    private const double AlikeDb = 0.5;
    private const double AlikeMs = 1;
    private const double AlikePercent = 100;

    /// <param name="readings">Their faults stand where they begin.</param>
    public static IEnumerable<OutsideFinding> Of(Template template, IReadOnlyList<PadReading> readings)
    {
        var moved = Moved(template, readings).ToList();
        foreach (var (finding, _) in moved)
            yield return finding;
        var said = moved.SelectMany(m => m.Said).ToHashSet();
        foreach (var channel in readings.GroupBy(r => r.Channel))
        {
            var rest = channel.Where(r => !said.Contains(r)).ToList();
            var kinds = rest.SelectMany(r => r.Faults.Select(f => (Reading: r, Fault: f))).GroupBy(f => f.Fault.Kind);
            var name = template.Channels[channel.Key].Name;
            foreach (var kind in kinds)
                if (kind.Key is not (FaultKind.Doubled or FaultKind.Swapped) && kind.Count() > 1 && kind.Count() == channel.Count(r => r.IsExpected && !r.Follows) && Alike(kind.Key, [.. kind.Select(f => f.Fault.Amount)]))
                    yield return new(kind.Key, channel.Key, null, Sentence(kind.First().Fault with { Amount = kind.Average(f => f.Fault.Amount) }, null, name));
                else
                    foreach (var (reading, fault) in kind)
                        yield return new(kind.Key, channel.Key, reading.Slot.Source.Name, Sentence(fault, reading.Slot.Source.Name, name));
        }
    }

    public static IEnumerable<OutsideFinding> Of(Template template, DuckerReading ducker)
    {
        var (channel, trial) = (ducker.Trial.Ducker.Channel, ducker.Trial);
        var name = template.Channels[channel].Name;
        var by = trial.Hit is { } hit ? $" under {hit.Name}" : " to the beat";
        foreach (var fault in ducker.Faults)
            yield return new(fault.Kind, channel, trial.Hit?.Name, fault.Kind == FaultKind.Recovery
                ? ducker.BackMs is { } back ? $"{name} is back after {Said(back, 0)} ms{by}; here it takes {Said(ducker.ExpectedBackMs!.Value, 0)} ms." : $"{name} is not back in time{by}; here it takes {Said(ducker.ExpectedBackMs!.Value, 0)} ms."
                : fault.Amount < 0.5 ? $"{name} does not give way{by}; here it goes down by {Said(ducker.ExpectedDb, 1)} dB."
                : $"{name} goes down by {Said(fault.Amount, 1)} dB{by}; here by {Said(ducker.ExpectedDb, 1)} dB.");
    }

    /// <summary>What is missing on one channel and heard on another.</summary>
    private static IEnumerable<(OutsideFinding Finding, IReadOnlyList<PadReading> Said)> Moved(Template template, IReadOnlyList<PadReading> readings)
    {
        var missing = readings.Where(r => r.Faults.Any(f => f.Kind == FaultKind.Missing)).OrderBy(r => r.Slot.StartSeconds).ToList();
        var astray = readings.Where(r => !r.IsExpected && r.Faults.Count > 0).ToList();
        var said = new HashSet<PadReading>();
        foreach (var gone in missing)
        {
            if (said.Contains(gone) || astray.Find(a => a.Slot == gone.Slot && !said.Contains(a)) is not { } found)
                continue;
            var (name, where, instead) = (gone.Slot.Source.Name, template.Channels[gone.Channel].Name, template.Channels[found.Channel].Name);
            // The other way round as well: the two have changed places.
            var other = missing.Find(m => m.Channel == found.Channel && m.Slot != gone.Slot && !said.Contains(m) && astray.Exists(a => a.Slot == m.Slot && a.Channel == gone.Channel));
            var back = other is null ? null : astray.Find(a => a.Slot == other.Slot && a.Channel == gone.Channel);
            List<PadReading> pair = [gone, found, .. other is null || back is null ? Array.Empty<PadReading>() : [other, back]];
            said.UnionWith(pair);
            yield return (new(FaultKind.Swapped, gone.Channel, name, other is null
                ? $"{name} is heard on {instead}, not on {where}."
                : $"{name} and {other.Slot.Source.Name} have changed places: {name} is heard on {instead}, {other.Slot.Source.Name} on {where}."), pair);
        }
    }

    private static bool Alike(FaultKind kind, double[] amounts) => amounts.Max() - amounts.Min() <= kind switch
    {
        FaultKind.Level or FaultKind.Balance => AlikeDb * 2,
        FaultKind.Late or FaultKind.Twice => AlikeMs * 2,
        FaultKind.Dry => AlikePercent,
        _ => 0,
    };

    /// <param name="source">Null where it is the whole channel.</param>
    private static string Sentence(Fault fault, string? source, string channel)
    {
        var (what, on) = (source ?? channel, source is null || source == channel ? "" : $" on {channel}");
        return fault.Kind switch
        {
            FaultKind.Missing => source is null ? $"Nothing is heard on {channel}." : $"{what} is not heard{on}.",
            FaultKind.Doubled => $"{what} is heard{(on.Length == 0 ? $" on {channel}" : on)} as well.",
            FaultKind.Swapped => $"{fault.Instead} is heard{on} where {what} is fired.",
            FaultKind.Twice => $"{what} comes twice{on}, the second {Said(fault.Amount, 0)} ms after the first.",
            FaultKind.UpsideDown => $"{what} is upside down{on}.",
            FaultKind.SideUpsideDown => $"The {fault.Instead} side of {what} is upside down{on}.",
            FaultKind.SidesSwapped => $"Left and right of {what} have changed places{on}.",
            FaultKind.Balance => $"{what} stands {Said(Math.Abs(fault.Amount), 1)} dB further {(fault.Amount > 0 ? "right" : "left")}{on}.",
            FaultKind.Late => $"{what} comes {Said(Math.Abs(fault.Amount), 1)} ms too {(fault.Amount > 0 ? "late" : "soon")}{on}.",
            FaultKind.Level => $"{what} is {Said(Math.Abs(fault.Amount), 1)} dB too {(fault.Amount > 0 ? "loud" : "soft")}{on}{(Math.Abs(fault.Amount - 6.02) < 0.3 ? ", as if it were there twice" : "")}.",
            FaultKind.Dry => source is null ? $"Dry sound comes with the effect on {channel}." : $"Dry sound of {what} comes with the effect{on}.",
            _ => $"{what} sounds otherwise than here{on}.",
        };
    }

    private static string Said(double number, int digits) => Math.Round(number, digits).ToString(digits == 0 ? "0" : "0.0", CultureInfo.InvariantCulture);
}
