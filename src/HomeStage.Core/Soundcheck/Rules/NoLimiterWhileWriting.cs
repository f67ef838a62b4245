using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>Nothing on the main that keeps a sudden sound from the ears in the first act.</summary>
public sealed class NoLimiterWhileWriting : ISoundcheckRule
{
    public string Id => "no-limiter-while-writing";

    public string Group => "Order";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var main = template.Main;
        // On an empty stage nothing sounds yet.
        if (act != template.Acts[0].Id || !template.Channels.Any(c => c.Source is not null || c.Starters.Count > 0) || main.Inserts.Any(i => i.Processor == ProcessorCatalogue.Limiter && i.IsLiveIn(template, act)))
            yield break;
        var parked = main.Inserts.FirstOrDefault(i => i.Processor == ProcessorCatalogue.Limiter);
        var mend = parked is not null
            ? new Mend("Switch the limiter on", [new ParkInsert(main.Id, parked.Id, parked.ParkedIn.Where(id => id != act).ToSequence()), .. parked.Off ? [new SwitchInsert(main.Id, parked.Id, false)] : Array.Empty<Edit>(), .. parked.IsIdle(template) ? [new SetWaitsFor(main.Id, parked.Id, null)] : Array.Empty<Edit>()])
            : new Mend($"Put a limiter on {main.Name}", [new AddInsert(main.Id, new(FreeId(main), ProcessorCatalogue.Limiter))]);
        yield return new(Id, Severity.Hint, [main.Id], $"{main.Name} has no limiter in {template.Acts[0].Name}: a sudden sound goes to the ears as it is.", [mend]);
    }

    private static InsertId FreeId(Channel main) =>
        Enumerable.Range(1, ChannelRules.MostInserts + 1).Select(n => new InsertId($"limiter-{n}")).First(id => main.Inserts.All(i => i.Id != id));
}
