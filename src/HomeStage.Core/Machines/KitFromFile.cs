using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Machines;

/// <summary>Puts a kit that a file brought in place of the one that is there, so that everything in it is heard.</summary>
/// <remarks>What leaves by an output that no channel takes gets a split; outputs that nobody has named are called after what they carry now, their
/// splits too. A kit with more jacks than its instrument has is played by a machine of one's own.</remarks>
public static class KitFromFile
{
    /// <param name="player">An instrument channel with a kit.</param>
    /// <param name="kit">Held against the rules before.</param>
    /// <returns>Edits that apply whole to the template.</returns>
    public static Sequence<Edit> Of(Template template, ChannelId player, Kit kit)
    {
        var source = (InstrumentSource)template.Channels[player].Source!;
        var splits = template.Channels.Where(c => c.Source is OutputSource split && split.Instrument == player).ToList();
        var (before, named) = (SplitNames.Of(source.Kit!), SplitNames.Renamed(source.Kit!, kit));
        kit = kit with { Outputs = kit.Outputs.Select((o, i) => named.TryGetValue(i + 1, out var name) ? o with { Name = name } : o).ToSequence() };
        var edits = new List<Edit> { new SetSource(player, source with { Instrument = KitPlayer.For(source.Instrument, kit), Kit = kit }) };
        var taken = splits.Select(s => (Split: s, Number: ((OutputSource)s.Source!).Output)).Where(s => s.Number <= kit.Outputs.Count)
            .Select(s => new TakenOutput(s.Split.Id, s.Number, before.GetValueOrDefault(s.Number) == s.Split.Name && named.TryGetValue(s.Number, out var name) ? name : s.Split.Name, s.Split.Format, s.Split.Pan))
            .Where(t => t.Name != template.Channels[t.Split].Name).ToSequence();
        if (taken.Count > 0)
            edits.Add(new SetOutputs(player, kit, taken));
        edits.AddRange(MissingSplits.Of(template, template.Channels[player], kit, MissingSplits.Unheard(template, player, kit)));
        return edits.ToSequence();
    }
}
