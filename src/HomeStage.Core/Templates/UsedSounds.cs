using HomeStage.Core.Media;

namespace HomeStage.Core.Templates;

/// <summary>Where a template uses uploaded sound: starters, samples of kit pieces and their layers.</summary>
public static class UsedSounds
{
    /// <summary>Every use, in running order; a sound that is used twice comes twice.</summary>
    public static IEnumerable<(Channel Channel, MediaRef Sound)> Of(Template template) => template.Channels.SelectMany(c => Of(c).Select(s => (c, s)));

    /// <summary>Every use on one channel.</summary>
    public static IEnumerable<MediaRef> Of(Channel channel)
    {
        foreach (var starter in channel.Starters)
            yield return starter.Sound;
        if (channel.Source is not InstrumentSource { Kit: { } kit })
            yield break;
        foreach (var piece in kit.Pieces)
        {
            if (piece.Sample is { } sample)
                yield return sample;
            foreach (var layer in piece.Layers)
                yield return layer.Sample;
        }
    }

    /// <returns>The contents that <paramref name="after"/> uses and <paramref name="before"/> does not.</returns>
    /// <remarks>Channels that are the same objects are passed over: an edit touches few.</remarks>
    public static IReadOnlySet<string> New(Template? before, Template after)
    {
        var same = before is null ? [] : before.Channels.ToHashSet<Channel>(ReferenceEqualityComparer.Instance);
        var found = after.Channels.Where(c => !same.Contains(c)).SelectMany(Of).Select(s => s.Content).ToHashSet(StringComparer.Ordinal);
        if (before is not null && found.Count > 0)
            found.ExceptWith(Of(before).Select(u => u.Sound.Content));
        return found;
    }
}
