using HomeStage.Core.Catalogue;
using HomeStage.Core.Defaults;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Machines;
using HomeStage.Core.Making;
using HomeStage.Core.Outputs;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Casting;

/// <summary>Brings what a list asks for into a template, one entry after the other.</summary>
/// <param name="template">As it was before anything was done.</param>
/// <param name="was">The list as it was read from it; null for one from elsewhere.</param>
internal sealed class CastStage(GatheredEdits work, Template template, CastSheet? was, List<CastMark> marks, List<string> left)
{
    private const double UsualIntoDb = -6;

    private List<ChannelId?> _channels = [];
    private readonly Dictionary<string, List<Channel>> _there = ByName(template);
    private readonly Dictionary<string, CastEntry> _was = was?.Entries.GroupBy(e => e.Name, StringComparer.OrdinalIgnoreCase).ToDictionary(g => g.Key, g => g.First(), StringComparer.OrdinalIgnoreCase) ?? [];
    private readonly HashSet<ChannelId> _made = [];
    /// <summary>By what several are told to take: the one that is heard there.</summary>
    private readonly Dictionary<int, ChannelId> _heard = [];
    private readonly Dictionary<ChannelId, int> _takeInputs = [];
    private int _nextInput = ChannelFactory.NextInput(template);

    /// <summary>By entry the channel that it is; null for what could not be.</summary>
    public IReadOnlyList<ChannelId?> Channels => _channels;

    /// <summary>Returns come first, with what they stand under: what sends to all of them finds them there. In the running order they stand where the list has them.</summary>
    public void Stand(CastSheet sheet, CancellationToken cancellation)
    {
        _channels = [.. sheet.Entries.Select(_ => (ChannelId?)null)];
        // What says nothing of its input takes one that nobody else is told to take.
        _nextInput = Math.Max(_nextInput, 1 + sheet.Entries.Select(e => e.Details.LastInput).DefaultIfEmpty(0).Max());
        var first = sheet.Entries.Select((entry, index) => (entry, index)).Where(x => x.entry.Kind == ChannelKind.Return).SelectMany(x => Above(sheet, x.index)).Distinct().Order().ToList();
        foreach (var index in first.Concat(Enumerable.Range(0, sheet.Entries.Count).Except(first)))
        {
            cancellation.ThrowIfCancellationRequested();
            Stand(sheet.Entries[index], index);
        }
    }

    private static IEnumerable<int> Above(CastSheet sheet, int index)
    {
        for (int? i = index; i is { } at; i = sheet.Entries[at].Under)
            yield return at;
    }

    private void Stand(CastEntry entry, int index)
    {
        if (There(entry) is { } there)
        {
            Compare(entry, work.Now.Channels[there]);
            _channels[index] = there;
        }
        else if (Made(entry, index) is { } made)
        {
            _channels[index] = made;
            _made.Add(made);
        }
    }

    /// <summary>The channel of that name; of several the one that is of the same kind, then the one that stands in the same place. Each is meant once.</summary>
    private ChannelId? There(CastEntry entry)
    {
        if (!_there.TryGetValue(entry.Name, out var called) || called.Count == 0)
            return null;
        var under = UnderOf(entry);
        var best = called.OrderByDescending(c => c.Kind == entry.Kind).ThenByDescending(c => c.Destination == under).First();
        called.Remove(best);
        return best.Id;
    }

    /// <summary>What goes on to effects and how loud, once all of them are there.</summary>
    public void Connect(CastSheet sheet)
    {
        foreach (var (entry, id) in sheet.Entries.Zip(_channels))
            if (id is { } channel)
            {
                if (_made.Contains(channel))
                    Set(entry, channel);
                foreach (var send in entry.Details.Into)
                    Send(entry, channel, send);
            }
    }

    /// <summary>What fell out of the list goes, as far as it is as a list makes it.</summary>
    public void Drop(CastSheet sheet)
    {
        var stays = _channels.OfType<ChannelId>().ToHashSet();
        var named = sheet.Entries.Select(e => e.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var gone in _was.Values.Where(e => !named.Contains(e.Name)).Reverse())
        {
            if (template.Channels.FirstOrDefault(c => string.Equals(c.Name, gone.Name, StringComparison.OrdinalIgnoreCase)) is not { } channel || stays.Contains(channel.Id) || !work.Now.Channels.Contains(channel.Id))
                continue;
            if (SetByHand(channel) is { } how)
                left.Add($"{channel.Name} is in the list no more and stays: {how}.");
            else if (work.Do([new RemoveChannel(channel.Id)]) is { } wrong)
                left.Add($"{channel.Name} stays: {wrong.Sentence}");
        }
    }

    private static Dictionary<string, List<Channel>> ByName(Template template) => template.Channels
        .Where(c => c.Kind != ChannelKind.Main && c.Id != ChannelFactory.MixBus(template))
        .GroupBy(c => c.Name, StringComparer.OrdinalIgnoreCase).ToDictionary(g => g.Key, g => g.ToList(), StringComparer.OrdinalIgnoreCase);

    private ChannelId? UnderOf(CastEntry entry) =>
        entry.UnderMain ? work.Now.Main.Id : entry.Under is { } index ? _channels[index] ?? ChannelFactory.MixBus(work.Now) : ChannelFactory.MixBus(work.Now);

    private ChannelId? Made(CastEntry entry, int index)
    {
        var under = Capabilities.Of(entry.Kind).FeedsASum ? UnderOf(entry) : null;
        var (made, wrong) = entry.Pieces is not null ? Machine(entry, under) : entry.Kind == ChannelKind.Trigger ? Trigger(entry) : Channel(entry, under, Next(index));
        if (wrong is not null)
            marks.Add(new(entry.At, wrong.Sentence));
        return made;
    }

    private (ChannelId? Made, Refusal? Wrong) Machine(CastEntry entry, ChannelId? under)
    {
        var wide = entry.Details.Jacks == ChannelFormat.Stereo;
        // One more than there are pieces: the first is for the rest.
        var jacks = entry.Details.JackCount ?? entry.PieceCount + 1;
        var wish = new MachineWish(entry.Name, entry.Pieces!, jacks * (wide ? 2 : 1), wide) { Under = under, SplitOver = entry.Details.SplitOver };
        return OwnMachine.Of(work.Now, wish) switch
        {
            MachineResult.Made made => Done(made.Machine.Channel, work.Do(made.Machine.Edits)),
            MachineResult.Refused refused => (null, refused.Why),
            _ => throw new InvalidOperationException("A machine is made or refused."),
        };
    }

    private static (ChannelId? Made, Refusal? Wrong) Done(ChannelId made, Refusal? wrong) => (wrong is null ? made : null, wrong);

    private (ChannelId? Made, Refusal? Wrong) Trigger(CastEntry entry)
    {
        var every = entry.Details.EveryQuarters is { } said and > 0 ? said : work.Now.Timeline.Meter.TicksPerFeltBeat / (double)Ticks.PerQuarter;
        var wish = new TriggerWish(every, entry.Details.OffBeat ? every / 2 : 0) { Name = entry.Name };
        if (wish.Check(work.Now) is { } wrong)
            return (null, wrong);
        var (made, edits) = wish.Made(work.Now);
        return Done(made, work.Do(edits));
    }

    private (ChannelId? Made, Refusal? Wrong) Channel(CastEntry entry, ChannelId? under, ChannelId? next)
    {
        var said = entry.Details;
        var played = said.SplitOf is null ? null : work.Now.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Instrument && string.Equals(c.Name, said.SplitOf, StringComparison.OrdinalIgnoreCase));
        if (entry.Kind == ChannelKind.Split && played?.Source is not InstrumentSource { Outputs.Count: > 1 })
            return (null, new Refusal.Missing("instrument with several outputs", said.SplitOf ?? "", "of which it could be a split"));
        var isTake = entry.Kind == ChannelKind.Audio && RoleReader.Read(entry.Name).Role == "take";
        var input = entry.Kind != ChannelKind.Audio ? (int?)null
            : said.Input ?? (isTake && under is { } of && _takeInputs.TryGetValue(of, out var shared) ? shared : Math.Min(_nextInput++, InputSource.Last));
        var wish = new ChannelWish(entry.Kind)
        {
            Name = entry.Name,
            Role = said.Role,
            Under = under,
            Instrument = said.Instrument,
            SplitOf = played?.Id,
            Input = input,
            Format = said.Format ?? (said.SecondInput is not null ? ChannelFormat.Stereo : null),
        };
        if (work.Do([new MakeChannel(wish, next)]) is { } wrong)
            return (null, wrong);
        var made = next is { } behind ? work.Now.Channels[work.Now.Channels.IndexOf(behind) - 1] : work.Now.Channels[^1];
        // All takes of one part are sung into the same input.
        if (isTake && under is { } bus && made.Source is InputSource sung)
            _takeInputs.TryAdd(bus, sung.First);
        var besides = new List<Edit>();
        if (made.Source is InputSource source && Besides(made.Id, source, said.SecondInput) is var taken && taken != source)
            besides.Add(new TakeInput(made.Id, taken));
        if (said.Spare)
            besides.Add(new SetSpare(made.Id, true));
        if (said.SplitOver is { } over && made.Source is InstrumentSource { Kit: { } kit } && KitJacks.Of(kit).PlanOver(kit, over) is { } plan)
            besides.AddRange(SplitBatch.Of(work.Now, made.Id, plan));
        return (made.Id, work.Do(besides));
    }

    /// <summary>Of several that share an input the first is heard and armed; the others are when their turn comes.</summary>
    private InputSource Besides(ChannelId id, InputSource source, int? second)
    {
        var taken = source with { Second = second ?? source.Second };
        var isFirst = (_heard.TryAdd(taken.First, id) || _heard[taken.First] == id) && (taken.Second is not { } other || _heard.TryAdd(other, id) || _heard[other] == id);
        return isFirst ? taken : taken with { Monitored = false, Armed = false };
    }

    /// <summary>Before which channel a new one stands: behind the one before it in the list where that was there already, else before the next that is there.</summary>
    /// <returns>Null for the end.</returns>
    private ChannelId? Next(int index)
    {
        if (index > 0 && _channels[index - 1] is { } last && !_made.Contains(last))
            return work.Now.Channels.IndexOf(last) + 1 is var place && place < work.Now.Channels.Count ? work.Now.Channels[place].Id : null;
        return _channels.Skip(index + 1).FirstOrDefault(c => c is { } id && _made.Contains(id));
    }

    private void Set(CastEntry entry, ChannelId id)
    {
        var said = entry.Details;
        var edits = new List<Edit>();
        if (said.Db is { } db)
            edits.Add(new SetLevel(id, new(db)));
        if (said.Pan is { } pan)
            edits.Add(new SetPan(id, pan));
        void Turn(string processor, string parameter, double? value)
        {
            if (value is { } to && work.Now.Channels[id].Inserts.FirstOrDefault(i => i.Processor == processor) is { } insert)
                edits.Add(new SetParameter(id, insert.Id, parameter, to));
        }

        Turn(ProcessorCatalogue.Delay, "left-quarters", said.LeftQuarters ?? said.RightQuarters);
        Turn(ProcessorCatalogue.Delay, "right-quarters", said.RightQuarters ?? said.LeftQuarters);
        Turn(ProcessorCatalogue.Reverb, "decay-s", said.DecaySeconds);
        Turn(ProcessorCatalogue.Equaliser, "low-cut", said.LowCutHz is null ? null : 1);
        Turn(ProcessorCatalogue.Equaliser, "low-cut-hz", said.LowCutHz);
        Turn(ProcessorCatalogue.Equaliser, "high-cut", said.HighCutHz is null ? null : 1);
        Turn(ProcessorCatalogue.Equaliser, "high-cut-hz", said.HighCutHz);
        foreach (var edit in edits)
            if (work.Do([edit]) is { } wrong)
                marks.Add(new(entry.At, wrong.Sentence));
    }

    private void Send(CastEntry entry, ChannelId id, CastSend send)
    {
        if (work.Now.Channels.FirstOrDefault(c => Capabilities.Of(c.Kind).TakesSends && c.Id != id && string.Equals(c.Name, send.Name, StringComparison.OrdinalIgnoreCase)) is not { } to)
            marks.Add(new(entry.At, $"Nothing that takes sends is called “{send.Name}”."));
        else if (_made.Contains(id) || work.Now.Channels[id].Sends.All(s => s.To != to.Id))
            Tried(entry, new PutSend(id, new(to.Id, new(send.Db ?? UsualIntoDb))));
    }

    private void Tried(CastEntry entry, Edit edit)
    {
        if (work.DoWithoutLoop(edit) is { } wrong)
            marks.Add(new(entry.At, wrong.Sentence));
    }

    /// <summary>A channel that is there: what somebody changed in the list is changed, and what was set otherwise by hand is told.</summary>
    private void Compare(CastEntry entry, Channel now)
    {
        var before = _was.GetValueOrDefault(entry.Name);
        if (entry.Kind != now.Kind && entry.Pieces is null)
        {
            Tell($"{now.Name} is {Said(now.Kind)}, and stays so where the list has {Said(entry.Kind)}");
            return;
        }

        if (now.Destination is { } feeds && UnderOf(entry) is { } under && feeds != under)
            Change(before is not null && NameOf(before, was!) is var old && string.Equals(old, Called(feeds), StringComparison.OrdinalIgnoreCase), [new SetDestination(now.Id, under)], $"{now.Name} feeds {work.Now.Channels[feeds].Name}, and stays so where the list has {work.Now.Channels[under].Name}");
        if (entry.Details.Input is { } input && now.Source is InputSource source && (source.First, source.Second) != (input, entry.Details.SecondInput))
            Change(before is { Details.Input: { } wasInput } && (wasInput, before.Details.SecondInput) == (source.First, source.Second), [new TakeInput(now.Id, source with { First = input, Second = entry.Details.SecondInput, FirstName = null, SecondName = null })], $"{now.Name} takes input {source.First}, and stays so where the list has {input}");
        if (entry.Details.Format is { } format && format != now.Format && entry.Details.SecondInput is null)
            Change(before is not null && (before.Details.Format ?? now.Format) == now.Format, [new SetFormat(now.Id, format)], $"{now.Name} is {Width(now.Format)}, and stays so where the list has {Width(format)}");
        if (entry.Details.Spare && !now.Spare)
            Change(before is { Details.Spare: false }, [new SetSpare(now.Id, true)], $"{now.Name} waits as a spare no more");
    }

    private void Change(bool isOurs, IEnumerable<Edit> edits, string otherwise)
    {
        foreach (var edit in edits)
            if (!isOurs)
                Tell(otherwise);
            else if (work.DoWithoutLoop(edit) is { } wrong)
                left.Add(wrong.Sentence);
    }

    private void Tell(string sentence) => left.Add($"{sentence}.");

    /// <summary>As an entry names what it stands under: nothing for the mix bus.</summary>
    private string Called(ChannelId id) => id == ChannelFactory.MixBus(work.Now) ? "" : work.Now.Channels.TryGet(id, out var channel) ? channel.Name : "";

    private static string NameOf(CastEntry entry, CastSheet sheet) => entry.Under is { } index ? sheet.Entries[index].Name : "";

    private static string Said(ChannelKind kind) => kind is ChannelKind.Audio or ChannelKind.Instrument ? $"an {kind.ToString().ToLowerInvariant()} channel" : $"a {kind.ToString().ToLowerInvariant()}";

    private static string Width(ChannelFormat format) => format == ChannelFormat.Mono ? "mono" : "stereo";

    /// <returns>What of a channel a list would not have made; null where it is as a list makes it.</returns>
    private string? SetByHand(Channel channel) =>
        channel.Starters.Count > 0 || (channel.Kind != ChannelKind.Trigger && channel.Patterns.Count > 0) ? "it has starters"
        : channel.Shapes.Count > 0 ? "it has curves"
        : channel.Note.Length > 0 ? "it has a prompt note"
        : channel.Muted || channel.Level != new Decibels(0) || channel.Pan != 0 ? "its level or pan was set"
        : channel.Feeds.Count > 0 ? "it steers others"
        : channel.Source is InstrumentSource { Device: not null } ? "it is a device"
        : !Following.IsUnaltered(template, channel) ? "its strip was changed"
        : null;
}
