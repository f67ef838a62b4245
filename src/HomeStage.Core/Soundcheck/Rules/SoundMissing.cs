using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>An uploaded sound that a channel uses and that is not on the shelf, or not whole: it is silent.</summary>
public sealed class SoundMissing : ISoundcheckRule
{
    private const int MostNamed = 4;

    public string Id => "sound-missing";

    public string Group => "Studio";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around)
    {
        if (around.AbsentSounds.Count == 0)
            return [];
        return from channel in template.Channels
               let absent = UsedSounds.Of(channel).DistinctBy(s => s.Content).Where(s => around.AbsentSounds.ContainsKey(s.Content)).ToList()
               where absent.Count > 0
               select new Finding(Id, Severity.Blocker, [channel.Id], Sentence(channel, absent, around), [new($"Do without on {channel.Name}", Without(channel, absent))])
               { Sounds = absent.ToSequence() };
    }

    private static string Sentence(Channel channel, List<MediaRef> absent, Surroundings around)
    {
        var isDamaged = absent.Exists(s => around.AbsentSounds[s.Content] == SoundAbsence.Damaged);
        if (absent.Count == 1)
            return $"The sound {absent[0].Title} of {channel.Name} {(isDamaged ? "is damaged" : "is not on the shelf")} and plays silence, until the same file is brought again.";
        var titles = string.Join(", ", absent.Take(MostNamed).Select(s => s.Title)) + (absent.Count > MostNamed ? " and more" : "");
        return $"{absent.Count} sounds of {channel.Name} are not on the shelf{(isDamaged ? " or damaged" : "")} and play silence, until the same files are brought again: {titles}.";
    }

    private static Sequence<Edit> Without(Channel channel, List<MediaRef> absent)
    {
        var gone = absent.Select(s => s.Content).ToHashSet(StringComparer.Ordinal);
        var edits = channel.Starters.Where(s => gone.Contains(s.Sound.Content)).Select(s => (Edit)new RemoveStarter(channel.Id, s.Name)).ToList();
        if (channel.Source is InstrumentSource { Kit: { } kit } played && UsedSounds.Of(channel with { Starters = [] }).Any(s => gone.Contains(s.Content)))
            edits.Add(new SetSource(channel.Id, played with { Kit = kit with { Pieces = kit.Pieces.Select(p => Without(p, gone)).ToSequence() } }));
        return edits.ToSequence();
    }

    /// <summary>The softest layer that is left plays from the softest stroke on; with none left the stand-in's voice does.</summary>
    private static Piece Without(Piece piece, HashSet<string> gone)
    {
        var left = piece.Layers.Where(l => !gone.Contains(l.Sample.Content)).ToList();
        if (piece.Sample is { } sample && !gone.Contains(sample.Content))
            return piece with { Layers = left.ToSequence() };
        return piece with { Sample = left.FirstOrDefault()?.Sample, Layers = left.Skip(1).ToSequence() };
    }
}
