using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Names several channels alike, numbered in the order in which they are given.</summary>
/// <param name="Pattern">A name in which # stands for the number; where there is none, the number follows the name.</param>
/// <param name="From">The first number, in [0, 9999].</param>
public sealed record NameChannels(Sequence<ChannelId> Channels, string Pattern, int From = 1) : ManyChannelsEdit
{
    protected override ManyResult Change(Template template)
    {
        if (Unknown(template, Channels) is { } unknown)
            return unknown;
        if (!(From is >= 0 and <= 9999))
            return new Refusal.OutOfRange("The first number", From, 0, 9999, "");
        return Channels.Distinct().Select((id, i) => (Id: id, Number: From + i))
            .Aggregate(template, (t, x) => t.Replace(t.Channels[x.Id] with { Name = Numbering.Filled(Pattern, x.Number) }));
    }
}
