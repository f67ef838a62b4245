using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes the next spare that waits under a bus for a new part: it gets the part's name and comes on stage.</summary>
/// <param name="Under">The bus or main.</param>
/// <param name="Name">Null for the one that it waited with, without the word "spare".</param>
/// <param name="Act">Id of the act in which it is taken; it comes on stage in every one, as a part that is added does.</param>
public sealed record TakeSpare(ChannelId Under, string? Name, string Act) : ManyChannelsEdit
{
    protected override ManyResult Change(Template template)
    {
        if (!template.Channels.TryGet(Under, out var bus))
            return new Refusal.UnknownChannel(Under);
        if (template.Acts.All(a => a.Id != Act))
            return new Refusal.Missing("act", Act, "in this template");
        if (template.Channels.FirstOrDefault(c => c.Spare && c.Destination == Under) is not { } spare)
            return new Refusal.Missing("spare", "", $"left under {bus.Name}");
        var taken = template.Replace(spare with { Name = Name ?? NameOf(template, spare), Spare = false });
        foreach (var act in template.Acts)
        {
            if (new SetStage(spare.Id, act.Id, StageState.OnStage).ApplyTo(taken) is EditResult.Applied staged)
                taken = staged.Template;
        }

        return taken;
    }

    private static string NameOf(Template template, Channel spare)
    {
        var words = spare.Name.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Where(w => !string.Equals(w, "spare", StringComparison.OrdinalIgnoreCase)).ToList();
        // A number alone says nothing without the word that it counted.
        var name = words.TrueForAll(w => w.All(char.IsAsciiDigit)) ? "Part" : string.Join(' ', words);
        return template.FreeName(Capitals.AtFirst(name), spare.Id);
    }
}
