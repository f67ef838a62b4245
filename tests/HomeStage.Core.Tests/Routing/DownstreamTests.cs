using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Routing;

/// <summary>What would come back to itself, held against the rule that refuses it.</summary>
public class DownstreamTests
{
    [Property(MaxTest = 30)]
    public void Downstream_HoldsThoseWhoseSendIsRefusedAsALoop_AndNobodyElse(int seed)
    {
        var template = new RandomTemplates(seed).Grown(80);
        var downstream = new Downstream(new(template));
        foreach (var target in template.Channels.Where(c => Capabilities.Of(c.Kind).TakesSends))
        {
            var back = downstream.Of(target.Id);
            foreach (var from in template.Channels.Where(c => Capabilities.Of(c.Kind).Sends && c.Sends.All(s => s.To != target.Id)))
            {
                var result = Batch.Apply(template, [new PutSend(from.Id, new(target.Id, new(-12)))]);
                Assert.Equal(back.Contains(from.Id), result is BatchResult.Refused);
            }
        }
    }
}
