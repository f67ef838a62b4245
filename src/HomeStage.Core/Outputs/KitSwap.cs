using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>Another kit on the splits that are there.</summary>
/// <remarks>Every line takes the output of the old one that it stands in for, by the best pairing of all (<see cref="KitMatch"/>), and what a
/// person said of its place. What stands in for none joins the nearest of its family; a new family takes a free output, or, where none
/// is left, goes to the first. A split that nothing takes stays and is reported. A stereo line on a mono split widens it where there is
/// room. A kit with too few jacks gets the finest plan that fits it.</remarks>
/// <param name="Edits">The batch; empty only where nothing changes.</param>
/// <param name="Pieces">By line of the new kit.</param>
/// <param name="Empty">Splits that nothing leaves by any more.</param>
/// <param name="Gone">Names of old lines that nothing stands in for.</param>
/// <param name="Widened">Names of splits that become stereo, because what they carry is.</param>
/// <param name="Narrowed">Names of stereo lines that a mono output folds, because no jack is left.</param>
/// <param name="Replanned">What the plan changes besides where the new kit has fewer jacks than are needed; null where it has enough.</param>
public sealed record KitSwap(
    Sequence<Edit> Edits, Sequence<SwappedPiece> Pieces, Sequence<ChannelId> Empty, Sequence<string> Gone, Sequence<string> Widened, Sequence<string> Narrowed, Replanning? Replanned)
{
    /// <param name="player">An instrument channel with a kit.</param>
    /// <param name="instrument">Id in the catalogue of what plays the new kit.</param>
    /// <param name="said">By name of a new line the old one that a person put it in place of; null for none. What is not named is paired.</param>
    public static KitSwap Of(Template template, ChannelId player, string instrument, Kit kit, IReadOnlyDictionary<string, string?>? said = null)
    {
        var old = ((InstrumentSource)template.Channels[player].Source!).Kit!;
        var splits = template.Channels.Where(c => c.Source is OutputSource split && split.Instrument == player).ToList();
        var splitOutputs = splits.Select(NumberOf).ToHashSet();
        var jacks = KitJacks.Of(kit with { FirstReserved = old.FirstReserved });
        var (lines, oldLines) = (kit.Lines, old.Lines);
        var match = Paired(oldLines, lines, said ?? new Dictionary<string, string?>());
        var outputs = Kept(old, jacks, splitOutputs.Concat(match.OfType<(KitLine Line, SwapReason)>().Select(m => m.Line.Output)).DefaultIfEmpty(1).Max());
        var places = new SwapPlaces(lines, oldLines, outputs, splitOutputs);
        var pieces = lines.Select(l => places.Of(l, match[l.Index])).ToList();
        var wide = Widths(lines, pieces, outputs, jacks, pieces.Select(p => p.Output).Concat(splitOutputs).Max());
        var laid = kit.Rewired(l => Placed(l, match[l.Index]?.Line, pieces[l.Index].Output, outputs)) with { Outputs = outputs.ToSequence(), FirstReserved = old.FirstReserved, Whole = old.Whole, Jacks = jacks.Use };
        var renamed = Renamed(old, laid, splits);
        laid = laid with { Outputs = laid.Outputs.Select((o, i) => renamed.TryGetValue(i + 1, out var name) ? o with { Name = name } : o).ToSequence() };

        var batch = new List<Edit>();
        var after = template;
        void Do(Edit edit)
        {
            after = edit.ApplyTo(after) is EditResult.Applied applied ? applied.Template : throw new InvalidOperationException($"A swap made an edit that does not apply: {edit}");
            batch.Add(edit);
        }

        Do(new SetSource(player, new InstrumentSource(instrument, laid)));
        var taken = splits.Select(s => Taken(s, laid, renamed, wide)).Where(t => t is not null).Select(t => t!).ToSequence();
        if (taken.Count > 0)
            Do(new SetOutputs(player, laid, taken));
        var fresh = pieces.Where(p => p.Reason == SwapReason.New).Select(p => p.Output).Where(n => !splitOutputs.Contains(n));
        foreach (var split in MissingSplits.Of(template, template.Channels[player], laid, fresh))
            Do(split);
        Replanning? replanned = null;
        if (laid.Outputs.Sum(o => o.Width) > jacks.Total)
        {
            var plan = jacks.Finest(laid);
            foreach (var edit in SplitBatch.Of(after, player, plan, jacks))
                Do(edit);
            replanned = new(
                plan.Groups.Where(g => g.Pieces.Count > 1).Select(g => g.Pieces.Select(i => lines[i].Name).ToSequence()).ToSequence(),
                splits.Where(s => !after.Channels.Contains(s.Id)).Select(s => s.Name).ToSequence());
        }

        return new(
            batch.ToSequence(), pieces.ToSequence(),
            splits.Where(s => after.Channels.Contains(s.Id) && pieces.TrueForAll(p => p.Output != NumberOf(s))).Select(s => s.Id).ToSequence(),
            oldLines.Where(o => pieces.TrueForAll(p => p.InPlaceOf != o.Name || p.Reason == SwapReason.Joins)).Select(o => o.Name).ToSequence(),
            splits.Where(s => wide.Contains(NumberOf(s))).Select(s => s.Name).ToSequence(),
            lines.Where(l => l.Microphone.Format == ChannelFormat.Stereo && pieces[l.Index].Output != 1 && outputs[pieces[l.Index].Output - 1].Format == ChannelFormat.Mono).Select(l => l.Name).ToSequence(),
            replanned);
    }

    private static int NumberOf(Channel split) => ((OutputSource)split.Source!).Output;

    /// <summary>What a person said first, then the best of what is left.</summary>
    private static (KitLine Line, SwapReason Reason)?[] Paired(IReadOnlyList<KitLine> old, IReadOnlyList<KitLine> next, IReadOnlyDictionary<string, string?> said)
    {
        var chosen = next.ToDictionary(l => l.Index, l => said.TryGetValue(l.Name, out var name) && name is not null ? old.FirstOrDefault(o => o.Name == name) : null);
        var taken = chosen.Values.OfType<KitLine>().ToHashSet();
        var (openOld, openNext) = (old.Where(o => !taken.Contains(o)).ToList(), next.Where(l => !said.ContainsKey(l.Name)).ToList());
        var paired = new (KitLine, SwapReason)?[next.Count];
        foreach (var (line, match) in openNext.Zip(KitMatch.Of(openOld, openNext)))
            paired[line.Index] = match;
        foreach (var (index, line) in chosen)
            if (line is not null)
                paired[index] = (line, SwapReason.Said);
        return paired;
    }

    /// <summary>A pin, an importance and a place go along; the pan only where two sides are.</summary>
    private static Microphone Placed(KitLine line, KitLine? old, int output, List<KitOutput> outputs) => line.Microphone with
    {
        Output = output,
        Stay = old?.Microphone.Stay ?? line.Microphone.Stay,
        Importance = old?.Microphone.Importance ?? line.Microphone.Importance,
        Together = old?.Microphone.Together ?? line.Microphone.Together,
    };

    /// <summary>The old outputs, as far as something takes them or there is room, and what the new kit has beyond.</summary>
    private static List<KitOutput> Kept(Kit old, KitJacks jacks, int last)
    {
        // The first is as wide as the new instrument has it.
        var outputs = old.Outputs.Take(last).Select((o, i) => i == 0 ? o with { Format = jacks.First } : o).ToList();
        foreach (var output in old.Outputs.Skip(last))
        {
            if (outputs.Sum(o => o.Width) + output.Width > jacks.Total)
                break;
            outputs.Add(output);
        }

        for (var left = jacks.Total - outputs.Sum(o => o.Width); left > 0; left -= outputs[^1].Width)
            outputs.Add(new($"Output {outputs.Count + 1}", left >= 2 && jacks.InPairs ? ChannelFormat.Stereo : ChannelFormat.Mono));
        return outputs;
    }

    /// <summary>Widens mono outputs that stereo lines leave by, as long as there are jacks behind that nothing takes.</summary>
    /// <param name="last">Number of the last output that something takes.</param>
    /// <returns>Numbers of the outputs that became wider.</returns>
    private static HashSet<int> Widths(IReadOnlyList<KitLine> lines, List<SwappedPiece> pieces, List<KitOutput> outputs, KitJacks jacks, int last)
    {
        var widened = new HashSet<int>();
        var wanted = lines.Where(l => l.Microphone.Format == ChannelFormat.Stereo).Select(l => pieces[l.Index].Output)
            .Where(n => n != 1 && outputs[n - 1].Format == ChannelFormat.Mono).Distinct().Order();
        foreach (var number in wanted)
        {
            if (outputs.Sum(o => o.Width) >= jacks.Total)
            {
                // The last output gives its jack where nothing leaves by it.
                if (outputs.Count <= last || outputs[^1].Width != 1)
                    return widened;
                outputs.RemoveAt(outputs.Count - 1);
            }

            outputs[number - 1] = outputs[number - 1] with { Format = ChannelFormat.Stereo };
            widened.Add(number);
        }

        return widened;
    }

    /// <summary>Names of outputs whose split nobody has renamed and that carry something else now.</summary>
    private static Dictionary<int, string> Renamed(Kit old, Kit laid, List<Channel> splits)
    {
        var named = SplitNames.Renamed(old, laid);
        return splits.Where(s => named.ContainsKey(NumberOf(s)) && s.Name == old.Outputs[NumberOf(s) - 1].Name).DistinctBy(NumberOf).ToDictionary(NumberOf, s => named[NumberOf(s)]);
    }

    private static TakenOutput? Taken(Channel split, Kit laid, Dictionary<int, string> renamed, HashSet<int> wide)
    {
        var number = NumberOf(split);
        return renamed.ContainsKey(number) || wide.Contains(number)
            ? new(split.Id, number, renamed.GetValueOrDefault(number, split.Name), laid.Outputs[number - 1].Format, wide.Contains(number) ? 0 : split.Pan)
            : null;
    }
}

/// <summary>What comes of too few jacks.</summary>
/// <param name="Shares">The lines that share an output, by output.</param>
/// <param name="Removed">Names of splits that there is no output for any more.</param>
public sealed record Replanning(Sequence<Sequence<string>> Shares, Sequence<string> Removed);

/// <summary>A line of the new kit, where it leaves, and why there.</summary>
/// <param name="InPlaceOf">The old line whose output it takes; null for none.</param>
public sealed record SwappedPiece(string Name, int Output, SwapReason Reason, string? InPlaceOf);

/// <summary>Why a line leaves where it does.</summary>
public enum SwapReason
{
    /// <summary>It stands in for what has its role or its name.</summary>
    Role,

    /// <summary>It stands in for one of its family.</summary>
    Family,

    /// <summary>It stands in for one of a family above or below its own.</summary>
    NearFamily,

    /// <summary>A person put it there.</summary>
    Said,

    /// <summary>It stands in for none and joins what is near to it.</summary>
    Joins,

    /// <summary>Its family is new and took a free output.</summary>
    New,

    /// <summary>Its family is new and no output is free.</summary>
    First,
}
