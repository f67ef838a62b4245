using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A channel that is still called by its kind and a number, or by what nobody chose.</summary>
public sealed class DefaultName : ISoundcheckRule
{
    private static readonly HashSet<string> Kinds = new(StringComparer.OrdinalIgnoreCase)
    {
        "audio", "channel", "track", "input", "instrument", "split", "output", "direct", "notes", "new", "untitled", "midi",
    };

    public string Id => "default-name";

    public string Group => "Order";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var taken = template.Channels.Select(c => c.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var channel in template.Channels.Where(c => IsDefault(c.Name)))
            yield return new(Id, Severity.Hint, [channel.Id], $"“{channel.Name}” says nothing of what is on it.", Mends(template, channel, taken));
    }

    private static bool IsDefault(string name) =>
        name.Split(' ', StringSplitOptions.RemoveEmptyEntries) is { Length: > 0 } words
        && words.All(w => Kinds.Contains(w) || w.All(char.IsDigit));

    private static Sequence<Mend> Mends(Template template, Channel channel, HashSet<string> taken)
    {
        var better = channel.Source switch
        {
            InstrumentSource source => Catalogue.InstrumentCatalogue.Find(source.Instrument)?.Name,
            OutputSource split when template.Channels.TryGet(split.Instrument, out var player) && player.Source is InstrumentSource { Kit: { } kit } => kit.Outputs[split.Output - 1].Name,
            _ => null,
        };
        return better is null || IsDefault(better) || taken.Contains(better) ? [] : [new($"Call it {better}", [new RenameChannel(channel.Id, better)])];
    }
}
