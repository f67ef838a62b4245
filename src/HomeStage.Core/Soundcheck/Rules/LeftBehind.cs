using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Striking;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>What a template still holds of the song that it was struck from. It says nothing where nobody knows of that song.</summary>
public sealed class LeftBehind(Leftover what) : ISoundcheckRule
{
    private const int MostNamed = 3;

    public string Id => Leftovers.RuleOf(what);

    public string Group => "Leftovers";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around)
    {
        var left = around.StruckFrom is { } song ? Leftovers.Of(what, template, song).ToList() : [];
        if (left.Count == 0)
            yield break;
        var named = string.Join(", ", left.Take(MostNamed).Select(l => l.Channel.Name)) + (left.Count > MostNamed ? $" and {left.Count - MostNamed} more" : "");
        // It is about the whole: what it is known by stays while one channel after the other is cleared.
        yield return new(Id, what is Leftover.Levels or Leftover.Names ? Severity.Hint : Severity.Warning, [], $"{Said} {around.StruckFrom!.Name}: {named}.", [new(Mended, left.SelectMany(l => l.Edits).ToSequence())]);
    }

    private string Said => what switch
    {
        Leftover.Notes => "Notes are left of",
        Leftover.Sounds => "Recordings are left of",
        Leftover.Curves => "Curves are left of",
        Leftover.Levels => "Faders, pans or mutes stand as in the mix of",
        _ => "Channels are called after takes of",
    };

    private string Mended => what switch
    {
        Leftover.Notes => "Take the notes away",
        Leftover.Sounds => "Take the recordings off",
        Leftover.Curves => "Take the curves away",
        Leftover.Levels => "Put them to rest",
        _ => "Call them after what they are",
    };
}
