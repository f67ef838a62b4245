using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Says whether a gain stage stands in a strip to be automated, so that the fader stays free.</summary>
public sealed record KeepForAutomation(ChannelId Channel, InsertId Insert, bool Kept) : InsertEdit(Channel, Insert)
{
    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var insert = channel.Inserts[place];
        return Kept && insert.Processor != ProcessorCatalogue.Gain
            ? new Refusal.WrongPlace($"{insert.Title()} on {channel.Name}", "is no gain stage, so it does not stand in for the fader")
            : With(template, channel, place, insert with { KeptForAutomation = Kept }, new KeepForAutomation(Channel, Insert, insert.KeptForAutomation));
    }
}
