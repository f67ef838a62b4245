using HomeStage.Core.Fitting;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A template that was patched to another interface: what it names lies elsewhere here.</summary>
public sealed class InterfaceDiffers : ISoundcheckRule
{
    public string Id => "interface-differs";

    public string Group => "Studio";

    public IEnumerable<Finding> Look(Template template, string act) => [];

    public IEnumerable<Finding> Look(Template template, string act, Surroundings around)
    {
        if (around.Studio is not { } studio)
            yield break;
        var other = StudioFit.Of(template, studio).Lines.Where(l => l is { Here: not null, Kind: FitKind.Input or FitKind.Output } && l.ProposedEdits.Count > 0 && IsNamed(template.Channels[l.Channel])).ToList();
        if (other.Count > 0)
            yield return new(Id, Severity.Warning, other.Select(l => l.Channel).ToSequence(),
                $"{(other.Count == 1 ? "1 channel was" : $"{other.Count} channels were")} patched to another interface than {studio.Interface.Name}: {template.Channels[other[0].Channel].Name} names {other[0].MadeFor} and meets {other[0].Here}.",
                [new($"Patch {(other.Count == 1 ? "it" : "them")} to {studio.Interface.Name}", other.SelectMany(l => l.ProposedEdits).ToSequence())]);
    }

    private static bool IsNamed(Channel channel) => channel.OutputName is not null || channel.Source is InputSource { FirstName: not null } or InputSource { SecondName: not null };
}
