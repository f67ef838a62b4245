using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>The way of one pad or microphone of a kit: from the note that strikes it to the bus that it is heard in.</summary>
/// <param name="Name">Of the piece, with that of its microphone where there are several.</param>
/// <param name="Note">In [0, 127]; null for a microphone that hears everything from afar.</param>
/// <param name="Jack">The numbers by which its output is known on the instrument: "3–4".</param>
/// <param name="Taker">The channel that takes the output; null where none does, and it is not heard.</param>
/// <param name="Bus">What that channel feeds; null for nothing.</param>
public sealed record PatchLine(ChannelId Player, string Name, int? Note, string Jack, ChannelId? Taker, ChannelId? Bus);

/// <summary>How everything is patched that a template's kits put out.</summary>
public static class PatchSheet
{
    /// <returns>By instrument in the template's order, then by output, then as the kit has it.</returns>
    public static IReadOnlyList<PatchLine> Of(Template template)
    {
        var takers = template.Channels.Where(c => c.Source is OutputSource).ToLookup(c => (((OutputSource)c.Source!).Instrument, ((OutputSource)c.Source).Output));
        return
        [
            .. from player in template.Channels
               let kit = (player.Source as InstrumentSource)?.Kit
               where kit is not null
               from line in kit.Lines.OrderBy(l => l.Output)
               // The first output is heard on the instrument's own channel; what several take is heard on each.
               from taker in takers[(player.Id, line.Output)].DefaultIfEmpty(line.Output == 1 ? player : null)
               select new PatchLine(player.Id, line.Name, line.Piece?.Note, kit.JackLabel(line.Output), taker?.Id, taker?.Destination),
        ];
    }
}
