using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A reverb on a return with no low cut before or after it: the low end rings on under everything.</summary>
public sealed class LowEndIntoReverb : ISoundcheckRule
{
    private const string LowCut = "low-cut";
    private const double CutHz = 200;

    public string Id => "low-end-into-reverb";

    public string Group => "Sends";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel.Kind == ChannelKind.Return && channel.StageIn(act) != StageState.InTheWings
            && channel.Inserts.Any(i => i is { Processor: ProcessorCatalogue.Reverb, Device: null } && i.IsLiveIn(template, act))
            && !channel.Inserts.Any(i => Cuts(i) && i.IsLiveIn(template, act))
        select new Finding(Id, Severity.Hint, [channel.Id], $"{channel.Name} has a reverb and no low cut: the low end rings on in it.", [new($"Cut below {CutHz:0} Hz", [Cut(channel)])]);

    private static bool Cuts(Insert insert) => insert.Device is not null || (insert.Processor == ProcessorCatalogue.Equaliser && insert.Settings.GetValueOrDefault(LowCut) > 0);

    private static AddInsert Cut(Channel channel)
    {
        var id = new InsertId(Numbering.FreshId("low-cut", i => channel.Inserts.Any(x => x.Id.Value == i.Value)).Value);
        var settings = Map<double>.Empty.With(LowCut, 1).With("low-cut-hz", CutHz);
        return new(channel.Id, new(id, ProcessorCatalogue.Equaliser) { Settings = settings }, ChainLaying.EndOf(channel));
    }
}
