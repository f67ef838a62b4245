using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Outputs;

/// <summary>A plan as one batch of edits: a split for every group, named on both ends, monitored, under the drum bus.</summary>
/// <remarks>Splits whose pieces stay together keep everything; others that survive keep strip, level and sends; those that somebody has worked on
/// and that the plan has no place for are put aside, and come back with a plan that has. Where a piece
/// leaves by a jack of its own its split is turned to where it stands, since a mono output has no sides; in a pair it stands in the pair,
/// which sounds the same. Where several share a jack, its split stands in their middle, and each keeps where it stood.</remarks>
public sealed class SplitBatch
{
    private readonly List<Edit> _edits = [];
    private readonly ChannelId _player;
    private readonly OutputPlan _plan;
    private readonly double[] _pans;
    private Template _template;

    private SplitBatch(Template template, ChannelId player, OutputPlan plan)
    {
        (_template, _player, _plan) = (template, player, plan);
        var kit = KitOf(template, player);
        _pans = [.. kit.Lines.Select(l => PanOf(kit, l))];
    }

    /// <param name="player">An instrument channel with a kit.</param>
    /// <param name="plan">Of the pieces of that kit.</param>
    /// <param name="jacks">What the instrument has; null where its outputs show it.</param>
    /// <returns>Edits that apply whole to this template; none where it is like that already.</returns>
    public static Sequence<Edit> Of(Template template, ChannelId player, OutputPlan plan, KitJacks? jacks = null)
    {
        var batch = new SplitBatch(template, player, plan);
        var kit = KitOf(template, player);
        var splits = batch.Splits().ToLookup(c => ((OutputSource)c.Source!).Output);
        var waiting = plan.Groups.Select(g => AsideSplits.Exactly(template, player, LinesOf(kit, g))).ToList();
        var survivors = Survivors.Of(kit, splits.ToDictionary(s => s.Key, s => s.Any(c => AsideSplits.IsWorkedOn(template, c, kit))), plan.Groups,
            (old, g) => waiting[g] is not { } home ? Belonging.Anybody : home.Stays && splits[old].Any(s => s.Id == home.Split.Id) ? Belonging.Here : Belonging.Elsewhere);
        var names = plan.Groups.Select((g, i) => NameOf(kit, g, survivors[i], splits[survivors[i]].FirstOrDefault(), waiting[i])).ToList();
        var (laid, numbers) = (jacks ?? KitJacks.Of(kit)).LaidOut(kit, plan, names);
        batch.Remember(kit, survivors, splits);
        foreach (var gone in splits.Where(s => !survivors.Contains(s.Key)).SelectMany(s => s))
            foreach (var edit in AsideSplits.Leaving(batch._template, gone, kit))
                batch.Do(edit);

        batch.Share(kit, laid, numbers, survivors, splits);
        batch.UnderADrumBus();
        batch.Add(laid, numbers);
        batch.Sum(laid);
        return batch._edits.ToSequence();
    }

    private static Kit KitOf(Template template, ChannelId player) => ((InstrumentSource)template.Channels[player].Source!).Kit!;

    private IEnumerable<Channel> Splits() => _template.Channels.Where(c => c.Source is OutputSource split && split.Instrument == _player);

    private void Do(Edit edit)
    {
        _template = edit.ApplyTo(_template) is EditResult.Applied applied
            ? applied.Template
            : throw new InvalidOperationException($"A plan made an edit that does not apply: {edit}");
        _edits.Add(edit);
    }

    /// <summary>The name that the output had, where it keeps its pieces; the channel's own, where a person gave it one.</summary>
    private static string NameOf(Kit kit, PlanGroup group, int survivor, Channel? split, AsideSplit? waiting)
    {
        if (split is null)
            return waiting is { Stays: false } ? waiting.Split.Name : group.Name;
        var keepsPieces = kit.Lines.Where(l => l.Output == survivor).Select(l => l.Index).ToHashSet().SetEquals(group.Pieces);
        return keepsPieces || split.Name != kit.Outputs[survivor - 1].Name ? split.Name : group.Name;
    }

    private void Remember(Kit kit, IReadOnlyList<int> survivors, ILookup<int, Channel> splits)
    {
        for (var g = 0; g < _plan.Groups.Count; g++)
            foreach (var split in splits[survivors[g]])
                if (AsideSplits.Remembering(_template, split, kit, LinesOf(kit, _plan.Groups[g])) is { } edit)
                    Do(edit);
    }

    private void Share(Kit before, Kit laid, IReadOnlyList<int> numbers, IReadOnlyList<int> survivors, ILookup<int, Channel> splits)
    {
        var taken = new List<TakenOutput>();
        var panned = laid.Rewired(l => l.Microphone with { Pan = _pans[l.Index] });
        for (var g = 0; g < _plan.Groups.Count; g++)
        {
            var group = _plan.Groups[g];
            foreach (var split in splits[survivors[g]])
                taken.Add(new(split.Id, numbers[g], laid.Outputs[numbers[g] - 1].Name, group.Format, group.Format == ChannelFormat.Mono ? panned.MiddleAt(numbers[g]) : split.Format == ChannelFormat.Mono ? 0 : split.Pan));
        }

        var changed = taken.Where(t => !IsSo(t, _template.Channels[t.Split])).ToSequence();
        if (changed.Count > 0 || !panned.Equals(before))
            Do(new SetOutputs(_player, panned, changed));
    }

    private static bool IsSo(TakenOutput taken, Channel split) =>
        (taken.Output, taken.Name, taken.Format, taken.Pan) == (((OutputSource)split.Source!).Output, split.Name, split.Format, split.Pan);

    /// <summary>Where a piece stands: by itself, moved along where somebody has turned the split of a jack without sides.</summary>
    private double PanOf(Kit kit, KitLine piece) =>
        kit.Outputs[piece.Output - 1].Format == ChannelFormat.Mono
        && Splits().FirstOrDefault(s => ((OutputSource)s.Source!).Output == piece.Output) is { Format: ChannelFormat.Mono } split && kit.MiddleAt(piece.Output) is var middle && split.Pan != middle
            ? Math.Clamp(Math.Round(piece.Microphone.Pan + split.Pan - middle, 3), -1, 1)
            : piece.Microphone.Pan;

    /// <summary>Splits need a bus to meet in before the mix.</summary>
    private void UnderADrumBus()
    {
        var player = _template.Channels[_player];
        if (_plan.Groups.Count == 0 || player.Destination is not { } to || IsDrumBus(_template.Channels[to]))
            return;
        var families = KitOf(_template, _player).Lines.Select(l => FamilyTree.Parts(l.Family).FirstOrDefault() ?? "drums");
        var family = families.GroupBy(f => f, StringComparer.OrdinalIgnoreCase).OrderByDescending(g => g.Count()).First().Key;
        var name = FamilyTree.Spoken(family);
        var bus = Fresh(name);
        Do(new BusAround([_player, .. Splits().Where(s => s.Destination == to).Select(s => s.Id)], bus, name));
    }

    private static bool IsDrumBus(Channel channel) => channel.Kind == ChannelKind.Bus && ChannelRole.Of(channel).Role != "mix-bus" && channel.Id != EmptyStage.MixBus;

    private void Add(Kit laid, IReadOnlyList<int> numbers)
    {
        var last = _player;
        for (var g = 0; g < _plan.Groups.Count; g++)
        {
            if (Splits().LastOrDefault(s => ((OutputSource)s.Source!).Output == numbers[g]) is { } there)
            {
                last = there.Id;
                continue;
            }

            // The first output sounds on the instrument's own channel.
            if (numbers[g] == 1)
                continue;
            var (group, name) = (_plan.Groups[g], laid.Outputs[numbers[g] - 1].Name);
            var made = ChannelFactory.NewSplit(_template, _template.Channels[_player], KitOf(_template, _player), numbers[g]) with { Id = Fresh(name) };
            if (!TakeBack(made, LinesOf(laid, group), _template.Channels.IndexOf(last) + 1))
                Do(new AddChannel(made, _template.Channels.IndexOf(last) + 1));
            last = made.Id;
        }
    }

    /// <summary>What was put aside for these pieces comes back instead of a plain split, unless it can be here no more.</summary>
    private bool TakeBack(Channel made, IReadOnlyCollection<KitLine> lines, int place)
    {
        if (AsideSplits.For(_template, _player, lines) is not { } aside)
            return false;
        var back = new AddChannel(AsideSplits.Restored(_template, aside, made), place);
        if (back.ApplyTo(_template) is EditResult.Refused)
            return false;
        Do(new RemoveAside(aside.Split.Id));
        Do(back);
        foreach (var feed in AsideSplits.Feeds(_template, aside, made.Id))
            Do(feed);
        return true;
    }

    private static KitLine[] LinesOf(Kit kit, PlanGroup group) => [.. group.Pieces.Select(i => kit.Lines[i])];

    /// <summary>A bus for every family that has several splits, unless they are summed already; a plain one that is left with one goes.</summary>
    private void Sum(Kit laid)
    {
        var bus = _template.Channels[_player].Destination;
        var families = Splits().ToLookup(s => FamilyOf(laid, s));
        foreach (var family in families.Where(f => f.Key.Length > 0))
        {
            var name = SumName(family.Key, family.Any(s => s.Name == FamilyTree.Spoken(family.Key)));
            var sum = _template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Bus && c.Name == name && c.Destination == bus);
            var loose = family.Where(s => s.Destination == bus).Select(s => s.Id).ToSequence();
            if (sum is not null)
                foreach (var split in loose)
                    Do(new SetDestination(split, sum.Id));
            else if (loose.Count > 1 && loose.Count == family.Count())
                Do(new BusAround(loose, Fresh(name), name));
        }

        foreach (var plain in _template.Channels.Where(c => IsPlainSum(c, bus, laid)).ToList())
            if (_template.Channels.Where(c => c.Destination == plain.Id).ToList() is [{ Kind: ChannelKind.Split }] or [])
                Do(new RemoveChannel(plain.Id));
    }

    /// <param name="isTaken">Whether one of those in it is called after the family already: a snare beside its rim.</param>
    private static string SumName(string family, bool isTaken) => isTaken ? $"{FamilyTree.Spoken(family)} sum" : FamilyTree.Spoken(family);

    /// <summary>Whether it sums a family of the kit and nobody has put work into it.</summary>
    private static bool IsPlainSum(Channel channel, ChannelId? bus, Kit kit) =>
        channel is { Kind: ChannelKind.Bus, Inserts.Count: 0, Sends.Count: 0, Feeds.Count: 0, Shapes.Count: 0, Note.Length: 0, Muted: false, PolarityFlipped: false, Pan: 0, HueDegrees: null, Role: null }
        && channel.Destination == bus && channel.Level == default && kit.Lines.Any(l => FamilyTree.Parts(l.Family) is { Count: > 1 } parts && (channel.Name == SumName(parts[1], false) || channel.Name == SumName(parts[1], true)));

    /// <returns>The second part of the family that all pieces of a split share; empty for none.</returns>
    private static string FamilyOf(Kit kit, Channel split)
    {
        var number = ((OutputSource)split.Source!).Output;
        var lowest = FamilyTree.Lowest(kit.Lines.Where(l => l.Output == number).Select(l => l.Family));
        return lowest.Count > 1 ? lowest[1] : "";
    }

    private ChannelId Fresh(string name) => ChannelFactory.FreshId(_template, name);
}
