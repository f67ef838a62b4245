using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Editing;

/// <summary>Gives an instrument a starter, or changes the one of the same name.</summary>
public sealed record PutPattern(ChannelId Channel, Pattern Pattern) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var old = channel.Patterns.FirstOrDefault(p => p.Name == Pattern.Name);
        var patterns = ConnectionOrder.Sort(channel.Patterns.Where(p => p.Name != Pattern.Name).Append(Pattern));
        return With(template, channel with { Patterns = patterns },
            old is null ? new RemovePattern(Channel, Pattern.Name) : new PutPattern(Channel, old));
    }
}
