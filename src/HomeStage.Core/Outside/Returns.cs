using HomeStage.Core.Templates;

namespace HomeStage.Core.Outside;

/// <summary>Looks on returns for the sound itself.</summary>
internal static class Returns
{
    /// <summary>By how much more of the sound itself there is than here.</summary>
    private const double More = 0.15;

    private const double OnsetSeconds = 0.3;

    /// <param name="Percent">Of what the return gives, the share that is the sound as it was sent.</param>
    internal sealed record DryReading(ChannelId Channel, FiredSlot Slot, double Percent);

    /// <param name="startOf">Where the test begins in the recording of a channel, in seconds.</param>
    public static IEnumerable<DryReading> Read(
        Reference reference, IReadOnlyList<Placed> placed, IReadOnlyList<PadReading> readings, Upstream upstream, Func<ChannelId, double> startOf, CancellationToken cancellation)
    {
        var template = reference.Song.Template;
        var recorded = placed.ToDictionary(p => p.Channel!.Value);
        foreach (var back in placed.Where(p => template.Channels[p.Channel!.Value].Kind == ChannelKind.Return))
        {
            cancellation.ThrowIfCancellationRequested();
            var channel = back.Channel!.Value;
            var slots = readings.Where(r => r.Channel == channel && r.IsExpected && r.Faults.All(f => f.Kind != FaultKind.Missing)).Select(r => r.Slot).ToList();
            var senders = slots.Select(s => (Slot: s, From: LoudestSender(reference, channel, s, recorded))).Where(s => s.From is not null).ToLookup(s => s.From!.Value, s => s.Slot);
            var (expectedBack, heardBack) = (reference.Tracks[channel].Tape.Lanes(), back.Recording.Track.Tape.Lanes());
            foreach (var sender in senders)
            {
                var (expectedSent, heardSent) = (reference.Tracks[sender.Key].Tape.Lanes(), recorded[sender.Key].Recording.Track.Tape.Lanes());
                foreach (var slot in sender)
                {
                    double Share(IReadOnlyList<float[]> sent, double sentStart, IReadOnlyList<float[]> returned, double returnedStart) => DryShare.Of(
                        Stretch(sent, slot.StartSeconds + sentStart, reference.RateHz), Stretch(returned, slot.StartSeconds + returnedStart, reference.RateHz), reference.RateHz);
                    var (expected, heard) = (Share(expectedSent, 0, expectedBack, 0), Share(heardSent, startOf(sender.Key), heardBack, startOf(channel)));
                    if (heard > expected + More)
                        yield return new(channel, slot, 100 * heard);
                }
            }
        }
    }

    /// <summary>A return with the sound itself on it has another level, another place and another sound: that is no fault of its own, of whichever source.</summary>
    public static PadReading Told(PadReading reading, IReadOnlyList<DryReading> dry)
    {
        if (dry.FirstOrDefault(d => d.Channel == reading.Channel && d.Slot == reading.Slot) is { } sent)
            return reading with { Faults = [new Fault(FaultKind.Dry, sent.Percent)] };
        return dry.All(d => d.Channel != reading.Channel) || reading.Faults.All(f => f.Kind is not (FaultKind.Level or FaultKind.Balance or FaultKind.SidesSwapped or FaultKind.Otherwise)) ? reading
            : reading with { Faults = [], Follows = true };
    }

    /// <summary>Of the channels that came back and send to the return, the one on which the source is loudest; what leads to it otherwise is no sender.</summary>
    private static ChannelId? LoudestSender(Reference reference, ChannelId channel, FiredSlot slot, Dictionary<ChannelId, Placed> recorded) =>
        reference.Song.Template.Channels.Where(c => recorded.ContainsKey(c.Id) && c.Sends.Any(s => s.To == channel && s.Open && !s.Level.IsSilence) && PadReader.IsExpected(reference.Tracks[c.Id].Contour, slot))
            .OrderByDescending(c => reference.Tracks[c.Id].Contour.Loudest(slot.StartSeconds, slot.EndSeconds)).Select(c => (ChannelId?)c.Id).FirstOrDefault();

    private static List<float[]> Stretch(IReadOnlyList<float[]> lanes, double fromSeconds, int rateHz)
    {
        var (from, frames) = ((int)Math.Round((fromSeconds - 0.01) * rateHz), (int)(OnsetSeconds * rateHz));
        return [.. lanes.Select(lane => Enumerable.Range(from, frames).Select(n => n >= 0 && n < lane.Length ? lane[n] : 0).ToArray())];
    }
}
