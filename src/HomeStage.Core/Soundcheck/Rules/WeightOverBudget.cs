using System.Globalization;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>An act that takes more of a processor core than leaves room for a song.</summary>
public sealed class WeightOverBudget : ISoundcheckRule
{
    /// <summary>Percent of one core (common practice: a song adds as much again as its template brings).</summary>
    public const double BudgetPercent = 60;

    public string Id => "weight-over-budget";

    public string Group => "Order";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var weight = Weight.PercentOf(template, act);
        if (weight <= BudgetPercent)
            yield break;
        var name = template.Acts.First(a => a.Id == act).Name;
        var parked = Heaviest(template, act, weight - BudgetPercent);
        Mend[] mends = parked.Count == 0 ? [] : [new($"Park the {parked.Count} heaviest inserts in {name}", parked.ToSequence())];
        yield return new(Id, Severity.Warning, [], string.Create(CultureInfo.InvariantCulture,
            $"{name} takes {weight:0} % of a processor core; {BudgetPercent:0} % leaves room for the song."), mends.ToSequence());
    }

    /// <summary>As few inserts as will do, the heaviest first; the limiter at the end stays, so that writing is safe.</summary>
    private static List<Edit> Heaviest(Template template, string act, double percent)
    {
        var parked = new List<Edit>();
        var candidates =
            from channel in template.Channels
            where channel.Kind != ChannelKind.Main && channel.StageIn(act) != StageState.InTheWings
            from insert in channel.Inserts
            where insert.IsLiveIn(template, act)
            select (Channel: channel, Insert: insert, Percent: Weight.PercentOf(template, channel, insert));
        foreach (var (channel, insert, share) in candidates.OrderByDescending(c => c.Percent))
        {
            if (percent <= 0)
                return parked;
            parked.Add(new ParkInsert(channel.Id, insert.Id, insert.ParkedIn.Add(act)));
            percent -= share;
        }

        return percent <= 0 ? parked : [];
    }
}
