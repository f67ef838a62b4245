using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts a whole channel into the running order.</summary>
/// <param name="Place">Index in the order, in [0, count]; null for the end.</param>
public sealed record AddChannel(Channel Channel, int? Place = null) : Edit
{
    public override bool ChangesRouting => true;

    public override EditResult ApplyTo(Template template)
    {
        var place = Place ?? template.Channels.Count;
        if (!(place >= 0 && place <= template.Channels.Count))
            return new Refusal.OutOfRange($"The place of {Channel.Name}", place, 0, template.Channels.Count, "");
        if (template.Channels.Contains(Channel.Id))
            return new Refusal.ChannelExists(Channel.Id);
        if (template.Channels.Count >= TemplateRules.MostChannels)
            return new Refusal.TooMany("channels", TemplateRules.MostChannels);
        if (Capabilities.Of(Channel.Kind).StandsOnce)
            return new Refusal.Doubled("main", Channel.Name);
        var added = ConnectionOrder.Sorted(Channel);
        var after = template with { Channels = template.Channels.Insert(place, added) };
        return ChannelRules.Check(after, added) is { } wrong ? wrong : new EditResult.Applied(after, new RemoveChannel(Channel.Id));
    }
}
