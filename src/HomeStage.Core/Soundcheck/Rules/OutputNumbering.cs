using HomeStage.Core.Editing;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>Splits that do not stand in the order of their outputs, or outputs left out between others.</summary>
/// <remarks>Rows are compared with those that feed the same channel.</remarks>
public sealed class OutputNumbering : ISoundcheckRule
{
    public string Id => "output-numbering";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        foreach (var kit in SplitKit.AllOf(template))
        {
            if (Misplaced(kit) is { } row)
                yield return new(Id, Severity.Hint, [kit.Player.Id],
                    $"{row.Name} takes {kit.Kit.JacksSaid(SplitKit.NumberOf(row))} of {kit.Player.Name} and stands after a split with a higher number.",
                    [InOrder(template, kit)]);
            else if (OutputGaps.Closing(kit) is { } closing && OutputGaps.Of(kit).ToList() is var gaps)
                yield return new(Id, Severity.Hint, [kit.Player.Id],
                    $"{kit.Kit.JacksSaid(gaps).AtFirst()} of {kit.Player.Name} {(gaps.Count == 1 ? "is" : "are")} left out between others.", [new("Close the gap", [closing])]);
        }
    }

    private static Channel? Misplaced(SplitKit kit) => kit.Splits.GroupBy(s => s.Destination)
        .SelectMany(rows => rows.Zip(rows.Skip(1)).Where(p => SplitKit.NumberOf(p.Second) < SplitKit.NumberOf(p.First)).Select(p => p.Second)).FirstOrDefault();

    /// <summary>What is left out between others is told of by the same finding, so it goes with it.</summary>
    private static Mend InOrder(Template template, SplitKit kit)
    {
        const string Name = "Put the rows in the order of the outputs";
        var sorted = Sorted(template, kit);
        return Batch.Apply(template, sorted) is BatchResult.Applied { Template: var after }
            && SplitKit.AllOf(after).FirstOrDefault(k => k.Player.Id == kit.Player.Id) is { } then && OutputGaps.Closing(then) is { } closing
            ? new($"{Name} and close the gap", [.. sorted, closing])
            : new(Name, sorted);
    }

    private static Sequence<Edit> Sorted(Template template, SplitKit kit)
    {
        var edits = new List<Edit>();
        foreach (var rows in kit.Splits.GroupBy(s => s.Destination))
        {
            // Each goes before what stands after the last of them, in ascending order.
            var last = rows.Max(s => template.Channels.IndexOf(s.Id));
            ChannelId? before = last + 1 < template.Channels.Count ? template.Channels[last + 1].Id : null;
            edits.AddRange(rows.OrderBy(SplitKit.NumberOf).Select(s => new MoveChannel(s.Id, s.Destination, before)));
        }

        return edits.ToSequence();
    }
}
