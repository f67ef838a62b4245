using HomeStage.Core.Colours;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Data.Summaries;

/// <summary>The families of sounds in a template: its buses under the last sums, and its returns.</summary>
internal static class FamilyCounts
{
    public static IReadOnlyList<FamilyView> Of(Template template)
    {
        var rows = RunningOrder.Of(template);
        var colours = Palette.Of(rows);
        var families = new List<FamilyView>();
        for (var i = 0; i < rows.Count; i++)
        {
            if (rows[i].Channel.Kind != ChannelKind.Bus || IsLastSum(template, rows[i]) || !FeedsLastSum(template, rows[i].Channel))
                continue;
            var members = rows.Skip(i + 1).TakeWhile(r => r.Depth > rows[i].Depth).Count(r => r.Channel.Kind != ChannelKind.Bus);
            if (members > 0)
                families.Add(new(rows[i].Channel.Name, colours.GetValueOrDefault(rows[i].Channel.Id), members));
        }

        var returns = rows.Where(r => r.Channel.Kind == ChannelKind.Return).ToList();
        if (returns.Count > 0)
            families.Add(new("Returns", colours.GetValueOrDefault(returns[0].Channel.Id), returns.Count));
        return families;
    }

    /// <summary>A bus that sums buses before the main, such as a mix bus, is no family of its own.</summary>
    private static bool IsLastSum(Template template, RunningOrderRow row) =>
        row.Channel.Destination == template.Main.Id && template.Channels.Any(c => c.Destination == row.Channel.Id && c.Kind == ChannelKind.Bus);

    private static bool FeedsLastSum(Template template, Channel channel) =>
        channel.Destination is { } to && (to == template.Main.Id || template.Channels[to].Destination == template.Main.Id);
}
