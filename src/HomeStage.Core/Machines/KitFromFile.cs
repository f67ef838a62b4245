using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Machines;

/// <summary>Puts a kit that a file brought in place of the one that is there, so that everything in it is heard.</summary>
/// <remarks>What leaves by an output that no channel takes gets a split; outputs that nobody has named are called after what they carry now, their
/// splits too, and have the width of what they take. Splits that there is no output for any more are put aside, where somebody has worked on them. A
/// kit with more jacks than its instrument has is played by a machine of one's own.</remarks>
public static class KitFromFile
{
    /// <param name="player">An instrument channel with a kit.</param>
    /// <param name="kit">Held against the rules before.</param>
    /// <returns>Edits that apply whole to the template.</returns>
    public static Sequence<Edit> Of(Template template, ChannelId player, Kit kit)
    {
        var source = (InstrumentSource)template.Channels[player].Source!;
        var before = source.Kit!;
        var splits = template.Channels.Where(c => c.Source is OutputSource split && split.Instrument == player).ToList();
        var named = SplitNames.Renamed(before, kit);
        kit = kit with { Outputs = kit.Outputs.Select((o, i) => named.TryGetValue(i + 1, out var name) ? o with { Name = name } : o).ToSequence() };
        var edits = new List<Edit>();
        var beyond = splits.Where(s => SplitKit.NumberOf(s) > kit.Outputs.Count).ToList();
        edits.AddRange(beyond.SelectMany(s => AsideSplits.Leaving(template, s, before)));
        var left = template with { Channels = ChannelList.From(template.Channels.Where(c => !beyond.Contains(c))) };
        edits.Add(new SetSource(player, source with { Instrument = KitPlayer.For(source.Instrument, kit), Kit = kit }));
        var taken = splits.Where(s => SplitKit.NumberOf(s) <= kit.Outputs.Count).Select(s => Taken(s, before, kit, named))
            .Where(t => template.Channels[t.Split] is var split && (t.Name, t.Format, t.Pan) != (split.Name, split.Format, split.Pan)).ToSequence();
        if (taken.Count > 0)
            edits.Add(new SetOutputs(player, kit, taken));
        edits.AddRange(MissingSplits.Of(left, template.Channels[player], kit, MissingSplits.Unheard(template, player, kit)));
        return edits.ToSequence();
    }

    private static TakenOutput Taken(Channel split, Kit before, Kit kit, IReadOnlyDictionary<int, string> named)
    {
        var number = SplitKit.NumberOf(split);
        var name = SplitNames.Of(before).GetValueOrDefault(number) == split.Name && named.TryGetValue(number, out var fresh) ? fresh : split.Name;
        var format = kit.Outputs[number - 1].Format;
        return before.Outputs.Count >= number && before.Outputs[number - 1].Format == format
            ? new(split.Id, number, name, split.Format, split.Pan)
            : new(split.Id, number, name, format, format == ChannelFormat.Mono ? kit.MiddleAt(number) : 0);
    }
}
