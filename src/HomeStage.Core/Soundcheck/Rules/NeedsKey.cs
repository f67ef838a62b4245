using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>An insert that goes by the song's key and works although there is none, instead of waiting for it.</summary>
public sealed class NeedsKey : ISoundcheckRule
{
    private const string Scale = "scale";
    private const double EverySemitone = 1;

    public string Id => "needs-key";

    public string Group => "Strips";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        if (template.Key is not null)
            yield break;
        foreach (var channel in template.Channels.Where(c => c.StageIn(act) != StageState.InTheWings))
        {
            var inserts = channel.Inserts.Where(i => GoesByTheKey(i) && i.IsLiveIn(template, act)).ToList();
            if (inserts.Count > 0)
                yield return new(Id, Severity.Warning, [channel.Id], $"{inserts[0].Title()} on {channel.Name} goes by the song’s key, and there is none yet.",
                [
                    new("Let it wait for the key", inserts.Select(i => (Edit)new SetWaitsFor(channel.Id, i.Id, new(WaitReason.SongKey))).ToSequence()),
                    new("Let it go by every semitone", inserts.Select(i => (Edit)new SetParameter(channel.Id, i.Id, Scale, EverySemitone)).ToSequence()),
                ]);
        }
    }

    private static bool GoesByTheKey(Insert insert) =>
        insert is { Processor: ProcessorCatalogue.PitchCorrection, Device: null } && insert.Settings.GetValueOrDefault(Scale, 0) < EverySemitone;
}
