using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes a starter away.</summary>
public sealed record RemovePattern(ChannelId Channel, string Name) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        var place = channel.Patterns.IndexWhere(p => p.Name == Name);
        return place < 0
            ? new Refusal.Missing("pattern", Name, $"on {channel.Name}")
            : With(template, channel with { Patterns = channel.Patterns.RemoveAt(place) }, new PutPattern(Channel, channel.Patterns[place]));
    }
}
