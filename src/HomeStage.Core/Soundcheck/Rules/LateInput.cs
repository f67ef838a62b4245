using System.Globalization;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Recording;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A monitored input that is heard later than a musician bears, in an act in which somebody may play.</summary>
public sealed class LateInput : ISoundcheckRule
{
    public string Id => "late-input";

    public string Group => "Recording";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around)
    {
        if (around.Studio is not { } studio || template.Acts.All(a => a.Id != act) || IsForMixing(template, act) || !template.Channels.Any(c => c.Source is InputSource { Monitored: true }))
            yield break;
        var parking = Parking.Of(around.In(template, act), studio);
        var late = parking.Before.Where(p => p.Milliseconds > studio.BudgetMs).ToList();
        if (late.Count == 0 || parking.BuffersAlone)
            yield break;
        var worst = late.MaxBy(p => p.Milliseconds)!;
        var others = late.Count == 1 ? "" : late.Count == 2 ? " and another" : $" and {late.Count - 1} others";
        yield return new(Id, Severity.Warning, late.Select(p => p.Channel).ToSequence(), string.Create(CultureInfo.InvariantCulture,
            $"{template.Channels[worst.Channel].Name}{others} would be heard {worst.Milliseconds:0.0} ms late; {studio.BudgetMs:0.#} ms are asked for, and {worst.BufferMs:0.0} of them go into buffers."),
            [new($"Park {Named(template, parking)} in {template.Acts.First(a => a.Id == act).Name}", parking.Edits(template, act))]);
    }

    /// <summary>Nobody sings into a mix, unless there is no other act.</summary>
    internal static bool IsForMixing(Template template, string act) => template.Acts.Count > 1 && act == template.FinalAct.Id;

    private static string Named(Template template, Parking parking)
    {
        var names = parking.Inserts.Select(i => $"{template.Channels[i.Channel].Inserts.First(x => x.Id == i.Insert).Title()} on {template.Channels[i.Channel].Name}").ToList();
        return names.Count <= 2 ? string.Join(" and ", names) : $"{names.Count} inserts";
    }
}
