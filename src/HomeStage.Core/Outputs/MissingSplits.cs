using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>Splits for outputs that no channel takes yet, behind those of their instrument.</summary>
internal static class MissingSplits
{
    /// <param name="template">As it is before; the player need not be in it yet, and is its last channel then.</param>
    /// <param name="player">What the splits are of, as it will be but for its kit.</param>
    /// <param name="kit">What it will play.</param>
    /// <param name="numbers">Outputs that get one, from 1; what is beyond the kit is passed over.</param>
    public static IEnumerable<Edit> Of(Template template, Channel player, Kit kit, IEnumerable<int> numbers)
    {
        var last = template.Channels.Select((c, i) => (Channel: c, Place: i))
            .Where(x => x.Channel.Id == player.Id || (x.Channel.Source is OutputSource split && split.Instrument == player.Id)).Select(x => x.Place).DefaultIfEmpty(template.Channels.Count).Max();
        var taken = template.Channels.Select(c => c.Id).Append(player.Id).ToHashSet();
        foreach (var number in numbers.Where(n => n <= kit.Outputs.Count).Distinct().Order())
        {
            var id = Numbering.FreshId($"{player.Id}-output-{number}", taken.Contains);
            taken.Add(id);
            yield return new AddChannel(ChannelFactory.NewSplit(template, player, kit, number) with { Id = id }, ++last);
        }
    }

    /// <returns>Numbers of outputs beyond the first by which something leaves and that no split takes.</returns>
    public static IEnumerable<int> Unheard(Template template, ChannelId player, Kit kit)
    {
        var heard = template.Channels.Select(c => c.Source).OfType<OutputSource>().Where(s => s.Instrument == player).Select(s => s.Output).Append(1).ToHashSet();
        return kit.Lines.Select(l => l.Output).Where(n => !heard.Contains(n)).Distinct().Order();
    }
}
