using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>An instrument without a starter that stands in no act: loaded, and never seen or heard.</summary>
public sealed class InstrumentNobodyHears : ISoundcheckRule
{
    public string Id => "instrument-nobody-hears";

    public string Group => "Order";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel.Kind == ChannelKind.Instrument && channel.Patterns.Count == 0
            && template.Acts.All(a => channel.StageIn(a.Id) == StageState.InTheWings)
        select new Finding(Id, Severity.Hint, [channel.Id], $"{channel.Name} is loaded, has nothing to play and stands in no act.",
            [
                new($"Bring it on stage in {template.Acts[0].Name}", [new SetStage(channel.Id, template.Acts[0].Id, StageState.OnStage)]),
                new("Remove it", [new RemoveChannel(channel.Id)]),
            ]);
}
