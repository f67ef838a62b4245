using HomeStage.Core.Timing;

namespace HomeStage.Core.Templates.Edits;

/// <summary>Gives an instrument a starter, or changes the one of the same name.</summary>
public sealed record PutPattern(ChannelId Channel, Pattern Pattern) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var sorted = Pattern with { Notes = Pattern.Notes.OrderBy(n => n.StartTick).ThenBy(n => n.Number).ToSequence() };
        var old = channel.Patterns.FirstOrDefault(p => p.Name == Pattern.Name);
        var patterns = ConnectionOrder.Sort(channel.Patterns.Where(p => p.Name != Pattern.Name).Append(sorted));
        return With(template, channel with { Patterns = patterns },
            old is null ? new RemovePattern(Channel, Pattern.Name) : new RestorePattern(Channel, old));
    }
}

/// <summary>Puts a starter back to the letter, its notes in the order in which they stood.</summary>
public sealed record RestorePattern(ChannelId Channel, Pattern Pattern) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var old = channel.Patterns.FirstOrDefault(p => p.Name == Pattern.Name);
        var patterns = ConnectionOrder.Sort(channel.Patterns.Where(p => p.Name != Pattern.Name).Append(Pattern));
        return With(template, channel with { Patterns = patterns },
            old is null ? new RemovePattern(Channel, Pattern.Name) : new RestorePattern(Channel, old));
    }
}
