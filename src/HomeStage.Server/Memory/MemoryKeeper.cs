using System.Runtime;
using HomeStage.Core.Sound.Tapes;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Jobs;

namespace HomeStage.Server.Memory;

/// <summary>Gives memory back when nobody has asked for anything for a while. What it lets go can be worked out or read again.</summary>
public sealed class MemoryKeeper(
    Activity activity, DocumentStore store, MediaStore media, StagedSounds staged, TapeShelf tapes, JobQueue<RenderedAudio> renders, MemoryBudget budget)
{
    /// <summary>After so long without a request it is quiet.</summary>
    public static readonly TimeSpan Quiet = TimeSpan.FromSeconds(20);

    // What stays, so that whoever comes back to a song hears it at once.
    private const long RestOfTapes = 32L * 1024 * 1024;
    private const long RestOfRenders = 32L * 1024 * 1024;
    private const long RestOfSounds = 16L * 1024 * 1024;

    // What work needs for the moment, beyond what is kept.
    private const long Slack = 384L * 1024 * 1024;

    private static readonly TimeSpan Closing = TimeSpan.FromMinutes(2);
    private bool _hasRested;

    /// <summary>To be called every few seconds.</summary>
    public void Look()
    {
        staged.Clear();
        if (activity.Since < Quiet)
        {
            _hasRested = false;
            store.CloseUnused(Closing);
            // A collector that sees much free memory takes its time; beside a workstation it should not.
            if (GC.GetTotalMemory(forceFullCollection: false) > budget.Megabytes * 1024L * 1024 + Slack)
                GC.Collect(GC.MaxGeneration, GCCollectionMode.Forced, blocking: false, compacting: false);
        }
        else if (!_hasRested)
        {
            Rest();
            _hasRested = true;
        }
    }

    /// <summary>Lets go of all that is not needed until somebody asks again.</summary>
    public void Rest()
    {
        store.CloseUnused(TimeSpan.Zero);
        tapes.Trim(RestOfTapes);
        renders.Trim(RestOfRenders);
        media.Trim(RestOfSounds);
        GCSettings.LargeObjectHeapCompactionMode = GCLargeObjectHeapCompactionMode.CompactOnce;
        GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
    }
}
