using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Roles;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A compressor on the last sums that hears the low end as it is: every kick and bass note pulls everything down.</summary>
/// <remarks>Common practice: a cut in the key input of the mix bus compressor, somewhere around 100 Hz.</remarks>
public sealed class LowEndDrivesBus : ISoundcheckRule
{
    private const double CutHz = 100;
    private static readonly string[] Low = ["kick", "bass", "sub"];

    public string Id => "low-end-drives-bus";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        foreach (var sum in template.Channels.Where(c => IsLastSum(template, c) && c.StageIn(act) != StageState.InTheWings))
        {
            if (sum.Inserts.FirstOrDefault(i => HearsAll(i) && i.IsLiveIn(template, act)) is not { } compressor)
                continue;
            var heard = template.Channels.Where(c => IsHeard(c, act) && LeadsTo(template, c, sum.Id)).ToLookup(c => Low.Contains(ChannelRole.Of(c).Role));
            if (heard[true].FirstOrDefault() is not { } low || !heard[false].Any())
                continue;
            yield return new(Id, Severity.Hint, [sum.Id], $"{compressor.Title()} on {sum.Name} hears {low.Name} as it is: low notes pull everything down.",
                [new($"Let it hear less below {CutHz:0} Hz", [new SetKey(sum.Id, compressor.Id, (compressor.Key ?? new(false)) with { LowCutHz = CutHz })])]);
        }
    }

    private static bool IsLastSum(Template template, Channel channel) =>
        channel.Kind == ChannelKind.Main || (channel.Kind == ChannelKind.Bus && channel.Destination is { } to && template.Channels[to].Kind == ChannelKind.Main);

    private static bool HearsAll(Insert insert) =>
        insert is { Processor: ProcessorCatalogue.Compressor, Device: null, Key: null or { On: false, LowCutHz: null } } && insert.Kind().Value(insert.Settings, "ratio") > 1;

    private static bool IsHeard(Channel channel, string act) =>
        channel is { Kind: ChannelKind.Instrument or ChannelKind.Audio or ChannelKind.Split, Muted: false, Spare: false } && channel.StageIn(act) != StageState.InTheWings;

    private static bool LeadsTo(Template template, Channel channel, ChannelId sum)
    {
        var seen = new HashSet<ChannelId>();
        for (var at = channel.Destination; at is { } id && seen.Add(id); at = template.Channels[id].Destination)
            if (id == sum)
                return true;
        return false;
    }
}
