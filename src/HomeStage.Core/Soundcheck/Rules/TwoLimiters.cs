using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A limiter that goes straight into another one.</summary>
public sealed class TwoLimiters : ISoundcheckRule
{
    public string Id => "two-limiters";

    public string Group => "Strips";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel.StageIn(act) != StageState.InTheWings
        let live = channel.Inserts.Where(i => i.IsLiveIn(template, act)).ToList()
        let firsts = live.Zip(live.Skip(1)).Where(x => IsLimiter(x.First) && IsLimiter(x.Second)).Select(x => x.First).ToList()
        where firsts.Count > 0
        select new Finding(Id, Severity.Hint, [channel.Id], $"On {channel.Name} a limiter goes straight into another: the second has nothing left to do, and both are late.",
            [new(firsts.Count == 1 ? "Take the first away" : "Leave the last alone", firsts.Select(i => (Edit)new RemoveInsert(channel.Id, i.Id)).ToSequence())]);

    private static bool IsLimiter(Insert insert) => insert is { Processor: ProcessorCatalogue.Limiter, Device: null };
}
