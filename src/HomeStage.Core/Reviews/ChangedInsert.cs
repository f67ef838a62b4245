using HomeStage.Core.Templates;

namespace HomeStage.Core.Reviews;

/// <summary>An insert of the template's that is gone in a song, or is another processor there.</summary>
/// <param name="Was">Id of the processor that it was.</param>
/// <param name="Now">Id of the processor that stands in its place; null where none does.</param>
public sealed record ChangedInsert(ChannelId Channel, InsertId Insert, string Was, string? Now)
{
    internal static IEnumerable<ChangedInsert> Between(Channel was, Channel now)
    {
        for (var place = 0; place < was.Inserts.Count; place++)
        {
            var insert = was.Inserts[place];
            var same = now.Inserts.FirstOrDefault(i => i.Id == insert.Id);
            if (same is null)
                yield return new(was.Id, insert.Id, insert.Processor, InPlaceOf(was, now, place));
            else if (same.Processor != insert.Processor)
                yield return new(was.Id, insert.Id, insert.Processor, same.Processor);
        }
    }

    /// <summary>A new one that stands right after what stood before the one that is gone.</summary>
    private static string? InPlaceOf(Channel was, Channel now, int place)
    {
        var known = was.Inserts.Select(i => i.Id).ToHashSet();
        var before = was.Inserts.Take(place).LastOrDefault(i => now.Inserts.Any(n => n.Id == i.Id));
        var next = before is null ? 0 : now.Inserts.Select(i => i.Id).ToList().IndexOf(before.Id) + 1;
        return next < now.Inserts.Count && !known.Contains(now.Inserts[next].Id) ? now.Inserts[next].Processor : null;
    }
}
