using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>Splits whose names say one thing while all that they carry says another: "Clap" that carries hats.</summary>
public sealed class CalledOtherwise : ISoundcheckRule
{
    public string Id => "called-otherwise";

    public string Group => "Outputs";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from kit in SplitKit.AllOf(template)
        let wrong = kit.Splits.Where(s => SaidDrums.IsCalledOtherwise(s, kit)).DistinctBy(SplitKit.NumberOf).ToList()
        where wrong.Count > 0
        select new Finding(Id, Severity.Warning, wrong.Select(s => s.Id).ToSequence(),
            $"{string.Join("; ", wrong.Select(s => $"“{s.Name}” carries {string.Join(", ", kit.LinesAt(SplitKit.NumberOf(s)).Select(l => l.Name))}"))}.",
            Mends(kit, wrong));

    private static Sequence<Mend> Mends(SplitKit kit, List<Channel> wrong)
    {
        var renamed = new Mend(wrong.Count == 1 ? "Call it after what it carries" : "Call them after what they carry", Renamed(kit, wrong));
        return Moved(kit, wrong) is { } moved ? [new("Put the pieces where the names say", [new SetOutputs(kit.Player.Id, moved, [])]), renamed] : [renamed];
    }

    private static Sequence<Edit> Renamed(SplitKit kit, List<Channel> wrong)
    {
        var names = SplitNames.Of(kit.Kit);
        return wrong.Select(s => (Split: s, Number: SplitKit.NumberOf(s)))
            .SelectMany(s => (Edit[])[new PutKitOutput(kit.Player.Id, kit.Kit.Outputs[s.Number - 1] with { Name = names[s.Number] }, s.Number), new RenameChannel(s.Split.Id, names[s.Number])])
            .ToSequence();
    }

    /// <returns>Null where a split would be left empty, or something would have no place.</returns>
    private static Kit? Moved(SplitKit kit, List<Channel> wrong)
    {
        var byRole = wrong.GroupBy(s => SaidDrums.Of(s.Name)!, StringComparer.Ordinal).ToDictionary(g => g.Key, g => SplitKit.NumberOf(g.First()), StringComparer.Ordinal);
        var left = wrong.Select(SplitKit.NumberOf).ToHashSet();
        int? PlaceOf(KitLine line) => SaidDrums.Of(line.Name) is { } role && byRole.TryGetValue(role, out var number) ? number : left.Contains(line.Output) ? null : line.Output;
        var lines = kit.Kit.Lines;
        if (lines.Any(l => PlaceOf(l) is null) || kit.Splits.Any(s => lines.All(l => PlaceOf(l) != SplitKit.NumberOf(s))))
            return null;
        return kit.Kit.Rewired(l => l.Microphone with { Output = PlaceOf(l)!.Value });
    }
}
