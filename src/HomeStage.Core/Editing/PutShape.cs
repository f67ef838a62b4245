using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Prepares a curve, or changes the one of the same value in the same section.</summary>
public sealed record PutShape(ChannelId Channel, Shape Shape) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        if (Shape.Target.ParameterOn(channel) is { StandsStill: { } why } still)
            return new Refusal.StandsStill($"{still.Name} on {channel.Name}", why);
        bool Same(Shape s) => s.Target == Shape.Target && s.Section == Shape.Section;
        var old = channel.Shapes.FirstOrDefault(Same);
        var shapes = ConnectionOrder.Sort(channel.Shapes.Where(s => !Same(s)).Append(Shape));
        return With(template, channel with { Shapes = shapes },
            old is null ? new RemoveShape(Channel, Shape.Target, Shape.Section) : new PutShape(Channel, old));
    }
}
