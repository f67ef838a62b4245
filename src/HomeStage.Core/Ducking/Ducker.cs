using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Ducking;

/// <summary>How a ducker knows when to give way.</summary>
public enum DuckingWay
{
    /// <summary>By the level at a compressor's key input.</summary>
    Level,

    /// <summary>By notes or beats, which restart a drawn curve.</summary>
    Notes,
}

/// <summary>An insert that makes its channel give way to others.</summary>
/// <param name="By">The channels that it gives way to; none where only beats restart it.</param>
public sealed record Ducker(ChannelId Channel, InsertId Insert, DuckingWay Way, Sequence<ChannelId> By)
{
    /// <returns>Every one of a template, in its order: compressors that hear a key, and duckers by notes.</returns>
    public static IEnumerable<Ducker> In(Template template)
    {
        var feeds = template.Channels.SelectMany(c => c.Feeds.Select(f => (f.Channel, f.Insert, By: c.Id))).ToLookup(f => (f.Channel, f.Insert), f => f.By);
        foreach (var channel in template.Channels)
            foreach (var insert in channel.Inserts)
                if (insert is { Processor: ProcessorCatalogue.Compressor, Key.On: true })
                    yield return new(channel.Id, insert.Id, DuckingWay.Level, feeds[(channel.Id, insert.Id)].ToSequence());
                else if (insert.Processor == ProcessorCatalogue.Ducker)
                    yield return new(channel.Id, insert.Id, DuckingWay.Notes, (insert.Trigger ?? NoteTrigger.Plain).Notes);
    }
}
