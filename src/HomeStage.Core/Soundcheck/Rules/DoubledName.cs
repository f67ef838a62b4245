using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>Channels of one name: nobody can tell them apart in a list.</summary>
public sealed class DoubledName : ISoundcheckRule
{
    public string Id => "doubled-name";

    public string Group => "Order";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var taken = template.Channels.Select(c => c.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var alike in template.Channels.GroupBy(c => c.Name, StringComparer.OrdinalIgnoreCase).Where(g => g.Count() > 1))
        {
            var edits = new List<Edit>();
            var number = 2;
            foreach (var channel in alike.Skip(1))
            {
                while (!taken.Add($"{channel.Name} {number}"))
                    number++;
                edits.Add(new RenameChannel(channel.Id, $"{channel.Name} {number}"));
            }

            yield return new(Id, Severity.Warning, alike.Select(c => c.Id).ToSequence(), $"{alike.Count()} channels are called {alike.Key}.",
                [new("Number them", edits.ToSequence())]);
        }
    }
}
