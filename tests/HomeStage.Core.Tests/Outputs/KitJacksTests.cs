using FsCheck.Xunit;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>A plan laid over the jacks of an instrument takes no jack more and none less than there are.</summary>
public class KitJacksTests
{
    [Property(MaxTest = 100, Arbitrary = [typeof(RandomKits)])]
    public void LaidOut_AnyPlan_HasAsManyJacksAsThereAre_EachGroupOnTheJackOfItsPlan(KitOnStage stage)
    {
        var jacks = KitJacks.Of(stage.Kit);
        if (jacks.Outputs == 0 || jacks.Plans(stage.Kit) is not PlanResult.Planned { Plans: { Count: > 0 } plans })
            return;
        var plan = plans[stage.Choices[0] % plans.Count];

        var (laid, numbers) = jacks.LaidOut(stage.Kit, plan, [.. plan.Groups.Select(g => g.Name)]);

        Assert.Equal(jacks.Total, laid.Outputs.Sum(Width));
        Assert.Equal(jacks, KitJacks.Of(laid with { Jacks = jacks.Use }));
        foreach (var (group, number) in plan.Groups.Zip(numbers))
        {
            Assert.Equal(jacks.Reserved + group.FirstJack, 1 + laid.Outputs.Take(number - 1).Sum(Width));
            Assert.Equal((group.Name, group.Format), (laid.Outputs[number - 1].Name, laid.Outputs[number - 1].Format));
            Assert.Equal(group.Pieces.Order(), laid.Lines.Where(l => l.Output == number && !(number == 1 && plan.OnFirst.Contains(l.Index))).Select(l => l.Index));
        }
    }

    private static int Width(KitOutput output) => output.Format == ChannelFormat.Stereo ? 2 : 1;
}
