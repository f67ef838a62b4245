using HomeStage.Core.Catalogue;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Ducking;

/// <summary>What the soundcheck says by closed forms is what the detector and the drawn curve do.</summary>
public class NotRecoveredTests
{
    // A quarter at 120.
    private const double GapMs = 500;

    [Fact]
    public void TheSoundcheck_FindsADucker_WhereItIsMeasuredToBeDownAtTheNextHit()
    {
        var chance = new Random(11);
        var found = 0;
        for (var i = 0; i < Runs.Of(30, 400); i++)
        {
            var byNotes = i % 3 == 0;
            var (threshold, ratio, release, quarters) = (-40 + 28 * chance.NextDouble(), 2 + 10 * chance.NextDouble(), 20 + 380 * chance.NextDouble(), 0.25 + 1.6 * chance.NextDouble());
            var template = byNotes
                ? OneBar(Bus("pads", "mix-bus"), new AddInsert(new("pads"), Insert("duck", ProcessorCatalogue.Ducker, ("depth-db", 1 + ratio), ("length-quarters", quarters))))
                : OneBar(Trigger("pulse"), Bus("pads", "mix-bus"),
                    new AddInsert(new("pads"), Insert("duck", ProcessorCatalogue.Compressor, ("threshold-db", threshold), ("ratio", ratio), ("release-ms", release), ("knee-db", 0), ("attack-ms", 0.1), ("hold-ms", 6)) with { Key = new(true) }),
                    new PutFeed(new("pulse"), new(new("pads"), new("duck"), new(0), TapPoint.Pre)));
            var run = DuckingRun.Of(template, InMix, "song", Ducker.In(template).Single()).Run!;
            var back = run.Reading.Hits[1].BackMs;
            // Before the glide to the third hit.
            var left = run.ReductionDb[run.Hits[2] - 150] / DuckerLaw.NearRestDb(run.Reading.DepthDb);
            // A detector lets go within half a period of its tone, 5 ms.
            if (back > GapMs - 20 || left is > 1 and < 1.2)
                continue;

            var finding = Report.Of(template, InMix).Open.FirstOrDefault(f => f.Rule == "ducker-not-recovered");

            Assert.True(back is null == finding is not null, $"{i}: back {back}, {finding?.Sentence}");
            found += finding is null ? 0 : 1;
            if (finding is not null && finding.Mends.Count > 0)
            {
                var mended = template.With([.. finding.Mends[0].Edits]);
                Assert.True(DuckingRun.Of(mended, InMix, "song", Ducker.In(mended).Single()).Run!.Reading.Recovers, $"{i}: {finding.Sentence}");
            }
        }

        Assert.InRange(found, Runs.Of(30, 400) / 10, Runs.Of(30, 400) * 9 / 10);
    }
}
