using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Playing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>An effect on a return that lets dry sound through: who sends to it becomes louder, not only wetter.</summary>
public sealed class ReturnNotWet : ISoundcheckRule
{
    private const string Wet = "wet-percent";
    private const double All = 100;

    public string Id => "return-not-wet";

    public string Group => "Sends";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var held = HeldValue.Of(template);
        foreach (var channel in template.Channels.Where(c => c.Kind == ChannelKind.Return && c.StageIn(act) != StageState.InTheWings))
        {
            var dry = channel.Inserts.Where(i => i.IsLiveIn(template, act) && WetOf(i) < All && held[channel.Id].All(h => h.Place != $"insert/{i.Id}/{Wet}")).ToList();
            if (dry.Count > 0)
                yield return new(Id, Severity.Warning, [channel.Id], $"{dry[0].Title()} on {channel.Name} is {WetOf(dry[0]):0} % wet: what is sent to it comes back dry as well.",
                    [new("All of it wet", dry.Select(i => (Edit)new SetParameter(channel.Id, i.Id, Wet, All)).ToSequence())]);
        }
    }

    private static double WetOf(Insert insert) =>
        insert.Device is null && ProcessorCatalogue.Find(insert.Processor) is { } kind && kind.Find(Wet) is not null ? kind.Value(insert.Settings, Wet) : All;
}
