using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>Another kit on the splits that are there.</summary>
/// <remarks>Every piece takes the output of the old piece of its role; where there is none that of its family, or of the
/// nearest one that is an ancestor or a descendant; a new family takes a free output, or, where none is left, goes to the
/// first. A split that no piece takes stays and is reported. No other channel changes.</remarks>
/// <param name="Edits">The batch; empty only where nothing changes.</param>
/// <param name="Pieces">By piece of the new kit.</param>
/// <param name="Empty">Splits that no piece leaves by any more.</param>
/// <param name="Gone">Names of old pieces that nothing took the place of.</param>
public sealed record KitSwap(Sequence<Edit> Edits, Sequence<SwappedPiece> Pieces, Sequence<ChannelId> Empty, Sequence<string> Gone)
{
    /// <param name="player">An instrument channel with a kit.</param>
    /// <param name="instrument">Id in the catalogue of what plays the new kit.</param>
    public static SwapResult Of(Template template, ChannelId player, string instrument, Kit kit)
    {
        var channel = template.Channels[player];
        var old = ((InstrumentSource)channel.Source!).Kit!;
        var splits = template.Channels.Where(c => c.Source is OutputSource split && split.Instrument == player).ToList();
        var splitOutputs = splits.Select(s => ((OutputSource)s.Source!).Output).ToHashSet();
        var outputs = Kept(old, kit, splitOutputs.DefaultIfEmpty(1).Max());
        if (outputs is null)
            return new SwapResult.Refused(new Refusal.WrongPlace(channel.Name, $"has splits on more jacks than the {JacksOf(kit)} of the new kit; choose a coarser plan first"));

        var match = new RoleMatch(old);
        var places = new SwapPlaces(kit, outputs, splitOutputs, old);
        var pieces = kit.Pieces.Select(p => places.Of(p, match.Of(p))).ToList();
        var laid = kit with
        {
            Outputs = places.Outputs.ToSequence(),
            FirstReserved = old.FirstReserved,
            Pieces = kit.Pieces.Zip(pieces, (p, s) => p with { Output = s.Output, Pan = places.Outputs[s.Output - 1].Format == ChannelFormat.Mono ? 0 : p.Pan }).ToSequence(),
        };
        var edits = new List<Edit> { new SetSource(player, new InstrumentSource(instrument, laid)) };
        edits.AddRange(NewSplits(template, player, laid, pieces, splitOutputs));
        return new SwapResult.Swapped(new(
            edits.ToSequence(), pieces.ToSequence(),
            splits.Where(s => pieces.TrueForAll(p => p.Output != ((OutputSource)s.Source!).Output)).Select(s => s.Id).ToSequence(),
            old.Pieces.Where(p => pieces.TrueForAll(s => s.InPlaceOf != p.Name)).Select(p => p.Name).ToSequence()));
    }

    /// <summary>The old outputs, as far as splits take them or there is room, and what the new kit has beyond.</summary>
    private static List<KitOutput>? Kept(Kit old, Kit kit, int lastSplit)
    {
        var jacks = JacksOf(kit);
        var outputs = new List<KitOutput>();
        foreach (var (output, number) in old.Outputs.Select((o, i) => (o, i + 1)))
        {
            if (outputs.Sum(o => o.Width) + output.Width <= jacks)
                outputs.Add(output);
            else if (number <= lastSplit)
                return null;
            else
                break;
        }

        var width = KitJacks.Of(kit).InPairs ? 2 : 1;
        for (var left = jacks - outputs.Sum(o => o.Width); left > 0; left -= outputs[^1].Width)
            outputs.Add(new($"Output {outputs.Count + 1}", left >= 2 && width == 2 ? ChannelFormat.Stereo : ChannelFormat.Mono));
        return outputs;
    }

    private static int JacksOf(Kit kit) => kit.Outputs.Sum(o => o.Width);

    private static IEnumerable<Edit> NewSplits(Template template, ChannelId player, Kit kit, List<SwappedPiece> pieces, HashSet<int> splitOutputs)
    {
        var place = template.Channels.Select((c, i) => (c, i)).Where(x => x.c.Id == player || (x.c.Source is OutputSource s && s.Instrument == player)).Max(x => x.i);
        var taken = template.Channels.Select(c => c.Id).ToHashSet();
        foreach (var number in pieces.Where(p => p.Reason == SwapReason.New).Select(p => p.Output).Distinct().Where(n => !splitOutputs.Contains(n)).Order())
        {
            var id = Numbering.FreshId($"{player}-output-{number}", taken.Contains);
            taken.Add(id);
            yield return new AddChannel(ChannelFactory.Split(template.Channels[player], kit, number) with { Id = id }, ++place);
        }
    }
}

/// <summary>Where a piece of the new kit leaves, and why there.</summary>
/// <param name="InPlaceOf">The old piece whose output it takes; null for none.</param>
public sealed record SwappedPiece(string Name, int Output, SwapReason Reason, string? InPlaceOf);

/// <summary>Why a piece leaves where it does.</summary>
public enum SwapReason
{
    /// <summary>The piece of its role left there.</summary>
    Role,

    /// <summary>Its family left there.</summary>
    Family,

    /// <summary>A family near its own left there.</summary>
    NearFamily,

    /// <summary>Its family is new and took a free output.</summary>
    New,

    /// <summary>Its family is new and no output is free.</summary>
    First,
}

/// <summary>What came of a swap.</summary>
public abstract record SwapResult
{
    public sealed record Swapped(KitSwap Swap) : SwapResult;

    public sealed record Refused(Refusal Why) : SwapResult;
}
