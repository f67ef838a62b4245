using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Recording;

/// <summary>What happens to waiting inserts when what they wait for comes.</summary>
public static class Waking
{
    private const string Record = "record";

    /// <summary>An interface as most are set, where no studio says otherwise.</summary>
    private static readonly Studio Usual = new(new("Usual", [], [], 128));

    /// <summary>Parks for recording what has woken and is too late to sing through; it works in all other acts.</summary>
    /// <param name="after">The template in which they have woken, as it stands in the studio (<see cref="InStudio"/>).</param>
    /// <param name="studio">Null where none is on: two buffers of 128 frames are taken, and the usual budget.</param>
    /// <returns>None where nothing that has woken is late, or there is no act for recording.</returns>
    public static Sequence<Edit> Parked(Template before, CompiledTemplate after, Studio? studio)
    {
        if (after.Template.Acts.All(a => a.Id != Record))
            return [];
        bool HasWoken(ChannelId channel, InsertId insert) =>
            before.Channels.TryGet(channel, out var was) && was.Inserts.FirstOrDefault(i => i.Id == insert) is { } then && then.IsIdle(before)
            && !after.Template.Channels[channel].Inserts.First(i => i.Id == insert).IsIdle(after.Template);
        var parking = Parking.Of(after.In(Record), studio ?? Usual);
        return parking.Inserts.Where(i => HasWoken(i.Channel, i.Insert))
            .Select(i => (Edit)new ParkInsert(i.Channel, i.Insert, after.Template.Channels[i.Channel].Inserts.First(x => x.Id == i.Insert).ParkedIn.Add(Record))).ToSequence();
    }
}
