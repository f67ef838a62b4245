using HomeStage.Core.Editing;
using HomeStage.Core.Outside;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outside;

/// <summary>The band's test as it is heard here, and what comes back of it held against that.</summary>
internal static class OutsideBench
{
    public static readonly TestSong Song = TestSong.Of(OutsideBand.Template, InMix);
    public static readonly Reference Expected = Reference.Of(Song, new MemoryTapes());

    /// <summary>What a workstation records in which all is set up rightly.</summary>
    public static readonly IReadOnlyList<Recorded> Clean = new Workstation(Song).All();

    /// <returns>What is said of a workstation with mistakes, softer and later than here.</returns>
    public static OutsideAnswer Faulty(params Edit[] mistakes) => Check(new Workstation(Song, mistakes).All().Select(f => f.Gain(-4).Later(0.7)));

    public static OutsideAnswer Check(IEnumerable<Recorded> files, IReadOnlyDictionary<int, ChannelId?>? said = null) =>
        OutsideCheck.Of(Expected, [.. files.Select(f => Expected.Brought(f.Name, f.Lanes, f.SampleRateHz, new MemoryTapes()))], said);
}
