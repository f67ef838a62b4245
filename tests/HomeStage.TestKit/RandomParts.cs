using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Defaults;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.TestKit;

/// <summary>Edits by chance of how a template is played, what waits in it, what moves together, and of many channels at once.</summary>
public sealed class RandomParts(Random random)
{
    private static readonly MediaRef Loop = new(new string('a', 64), "Waves", 44100, 2, 44100);

    public Edit Next(Template template)
    {
        var channel = Pick(template.Channels);
        var id = channel.Id;
        var insert = channel.Inserts.Count > 0 ? Pick(channel.Inserts) : null;
        return random.Next(67) switch
        {
            0 => new SetPolarity(id, random.Next(2) == 0),
            1 => new SetRole(id, random.Next(2) == 0 ? null : Pick(RoleNames.All)),
            2 => new SetNoteInput(id, Input(template)),
            3 => new SetNoteProcessors(id, Some(3, Processor)),
            4 => new SetPlays(id, Instruments(template), random.Next(3) == 0 ? new("Pad board", 1 + random.Next(16)) : null),
            5 => new PutGroove(Groove.Swing($"Swing {random.Next(3)}", 960, 0.5 + random.NextDouble() / 4)),
            6 when template.Grooves.Count > 0 => new SetGroove(id, random.Next(3) == 0 ? null : Pick(template.Grooves).Name),
            7 when template.Grooves.Count > 0 => new RemoveGroove(Pick(template.Grooves).Name),
            8 => new PutStarter(id, new($"Sound {random.Next(3)}", Loop, random.Next(2) == 0, new(-random.Next(20)), [])),
            9 when channel.Starters.Count > 0 => new RemoveStarter(id, Pick(channel.Starters).Name),
            10 => new SetSpare(id, random.Next(3) == 0),
            11 => new AddPrintTwin(id),
            12 => new PutShape(id, Curve(channel)),
            13 when channel.Shapes.Count > 0 => new RemoveShape(id, Pick(channel.Shapes).Target, Pick(channel.Shapes).Section),
            14 => new PutLever(Lever(template)),
            15 when template.Levers.Count > 0 => new RemoveLever(Pick(template.Levers).Id),
            16 => new PutPatch(new(InstrumentCatalogue.Undertow, $"Patch {random.Next(3)}", Map<double>.Empty)),
            17 when template.Patches.Count > 0 => new RemovePatch(Pick(template.Patches).Of, Pick(template.Patches).Name),
            66 => new TurnInto(id, random.Next(2) == 0 ? ChannelKind.Audio : ChannelKind.Instrument),
            65 => new SetParent(random.Next(3) == 0 ? null : new($"based-{random.Next(3)}", "Based on", random.Next(9))),
            18 => new SetOpening(random.Next(3) == 0 ? null : new(Pick(template.Acts).Id, [id], null)),
            19 when insert is not null => new SetWaitsFor(id, insert.Id, random.Next(3) == 0 ? null : new((WaitReason)random.Next(3), "The singer")),
            26 => Ducked(template, id),
            20 => new NameChannels([id, Pick(template.Channels).Id], "Part #", random.Next(9)),
            21 => new BusAround(new[] { id, Pick(template.Channels).Id }.Distinct().ToSequence(), new($"around-{random.Next(10000)}"), "Around"),
            22 => new DuplicateChannels([id], random.Next(2) == 0),
            23 => new TakeSpare(channel.Destination ?? id, template.Channels.Count % 2 == 0 ? "New part" : null, Pick(template.Acts).Id),
            24 => new SetSource(id, random.Next(3) == 0 ? new InputSource(1, 2, Armed: true) : new InternalSource(Pick(template.Channels).Id)),
            25 => new SetSampling(Pick<int>([44100, 48000]), (PanLaw)random.Next(6)),
            28 when channel.Source is InstrumentSource { Kit: { } kit } => new SetPiecePlace(id, Pick(kit.Lines).Name, (PieceStay)random.Next(3), 1 + random.Next(9)),
            27 when channel.Source is InstrumentSource { Kit: { } kit } => new SetOutputs(id, MikedAnew(kit), []),
            29 => new MakeChannel(Wish(template), random.Next(2) == 0 ? null : id),
            31 when channel.Source is InstrumentSource { Kit: { } kit } => new SetPieceSound(id, Pick(kit.Pieces).Name, random.Next(3) == 0 ? null : Loop with { Lanes = 1 + random.Next(2) }),
            32 => new AddSends([id, Pick(template.Channels).Id], new(Pick(template.Channels).Id, new(-9))),
            33 => new TakeInputs([id, Pick(template.Channels).Id], 1 + random.Next(20)),
            30 => new MakeInsert(id, Pick(ProcessorCatalogue.All).Id),
            37 => new PutShelfCopy(new((ShelfKind)random.Next(4), random.Next(2) == 0 ? id.Value : "Swing 1", "kept-item", 1 + random.Next(4), random.Next(2) == 0 ? Map<string>.Empty : Map<string>.Empty.With("a", "b"))),
            38 when template.Copies.Count > 0 => new RemoveShelfCopy(Pick(template.Copies).Kind, Pick(template.Copies).Place),
            39 => new KeepPatch(id, insert?.Id, $"Patch {random.Next(3)}"),
            40 when template.Patches.Count > 0 => new TakePatch(id, random.Next(3) == 0 ? null : insert?.Id, Pick(template.Patches).Name),
            41 when channel is { Kind: ChannelKind.Split, Source: OutputSource } => new PutAside(new(channel, [$"Pad {random.Next(3)}"], ["36"], random.Next(2) == 0 ? [] : [new(Pick(template.Channels).Id, new(id, new("any"), new(-6)))])),
            42 when template.Aside.Count > 0 => new RemoveAside(Pick(template.Aside).Split.Id),
            43 => new SetDevice(id, random.Next(3) == 0 ? null : insert?.Id, random.Next(4) == 0 ? null : Device()),
            44 => new SetStandIn(id, insert?.Id, Pick(ProcessorCatalogue.All).Id),
            45 => new SetStandIn(id, null, Pick(InstrumentCatalogue.All).Id),
            46 => random.Next(2) == 0 ? new TakeInput(id, new(1 + random.Next(8), random.Next(2) == 0 ? null : 9 + random.Next(8)) { FirstName = "Wall 1" })
                : new MonitorInputs([id, Pick(template.Channels).Id], random.Next(2) == 0, random.Next(3) == 0 ? true : null),
            47 when insert is not null => new SetParameter(id, insert.Id, insert.Device is { Controls: { Count: > 0 } controls } ? controls[0].Setting : "gain-db", random.NextDouble()),
            48 => new PutDefaultStrip(new(Scope(channel), DefaultChange.StripFor(template, channel))),
            49 when template.Defaults.Count > 0 => new RemoveDefaultStrip(Pick(template.Defaults).For),
            50 or 51 => new LayStrip([id, Pick(template.Channels).Id], StripLaying.Of(template, Pick(template.Channels))),
            52 => template.Patches.Count > 0 && random.Next(3) > 0 ? new SetFirstPatch(Pick(template.Patches).Of, Pick(template.Patches).Name) : new SetFirstPatch(Pick(ProcessorCatalogue.All).Id, null),
            53 when insert is not null => new KeepForAutomation(id, insert.Id, random.Next(3) > 0),
            54 when insert is not null => new NoteInsert(id, insert.Id, random.Next(2) == 0 ? null : insert.Parameters().Select(p => p.Id).FirstOrDefault(), random.Next(4) == 0 ? "" : $"Mind {random.Next(9)}"),
            56 when insert is not null => new SetAlike([id, Pick(template.Channels).Id, Pick(template.Channels).Id], id, insert.Id, random.Next(2) == 0 ? null : insert.Parameters().Select(p => p.Id).FirstOrDefault()),
            57 when insert is not null => new ReplaceInsert(id, insert.Id, Pick(ProcessorCatalogue.All).Id),
            58 or 59 when insert is not null => new PutChain(id, Chain(channel)),
            60 or 61 or 62 when template.Channels.FirstOrDefault(c => c.Chains.Count > 0) is { } chained => OfAChain(template, chained),
            63 when insert is not null => new SwitchInsert(id, insert.Id, random.Next(2) == 0),
            64 when insert is not null => new StandAlike([id, Pick(template.Channels).Id, Pick(template.Channels).Id], id, insert.Id, random.Next(3) == 0 ? null : Pick(template.Acts).Id, random.Next(2) == 0),
            55 => new SetMusicalKey(random.Next(3) == 0 ? null : new(random.Next(15) - 7, random.Next(2) == 0)),
            34 or 35 or 36 when template.Channels.Any(c => c.Source is InstrumentSource { Kit: not null }) => OfAKit(template),
            _ => new SetDestination(id, Pick(template.Channels).Id),
        };
    }

    private Edit OfAChain(Template template, Channel channel)
    {
        var chain = Pick(channel.Chains);
        return random.Next(4) switch
        {
            0 => new RemoveChain(channel.Id, chain.Id),
            1 when ChainLaying.Of(channel, chain) is { Inserts.Count: > 0 } kept => new LayChain([Pick(template.Channels).Id, channel.Id], kept),
            _ => new TurnChain(channel.Id, chain.Id, Pick(chain.Controls).Id, random.NextDouble()),
        };
    }

    /// <summary>Of inserts that are of no other chain; a value is moved by one control.</summary>
    private Chain Chain(Channel channel)
    {
        var id = $"chain-{random.Next(3)}";
        var elsewhere = channel.Chains.Where(c => c.Id != id).SelectMany(c => c.Inserts).ToHashSet();
        var inserts = channel.Inserts.Where(i => !elsewhere.Contains(i.Id)).Take(1 + random.Next(3)).ToList();
        var values = inserts.SelectMany(i => i.Parameters().Select(p => (Insert: i.Id, Parameter: p))).OrderBy(_ => random.Next()).Take(4)
            .Select(v => new ChainMove(v.Insert, v.Parameter.Id, Between(v.Parameter.Min, v.Parameter.Max), Between(v.Parameter.Min, v.Parameter.Max))).ToList();
        var switches = inserts.Take(random.Next(2)).Select(i => new ChainMove(i.Id, null, random.NextDouble(), random.NextDouble()));
        return new(id, $"Rack {random.Next(9)}", inserts.Select(i => i.Id).ToSequence())
        {
            Controls = [new("first", "Dirt", random.NextDouble(), [.. values.Take(2), .. switches]), new("second", "Air", random.NextDouble(), values.Skip(2).ToSequence())],
        };
    }

    private double Between(double low, double high) => Math.Round(low + random.NextDouble() * (high - low), 3);

    private StripScope Scope(Channel channel) => Pick(ScopeWords.For(channel));

    public OutsideDevice Device() => new($"Device {random.Next(4)}")
    {
        Maker = random.Next(2) == 0 ? "" : "Nobody",
        Format = random.Next(2) == 0 ? "" : "hardware",
        DeviceId = random.Next(3) == 0 ? "a1b2" : "",
        Outputs = Some(3, () => new KitOutput("Out", (ChannelFormat)random.Next(2))),
        Key = (KeyWidth)random.Next(3),
        Latency = random.Next(3) == 0 ? null : new(random.Next(3000), Pick<int>([44100, 48000])),
        Weight = random.Next(2) == 0 ? DeviceWeight.Unknown : new(random.Next(9), null, 2.5),
        State = random.Next(3) == 0 ? new(new string('b', 64), "room.state", 1 + random.Next(999)) : null,
        Controls = Some(3, () => random.Next(99)).Distinct().Select(n => new DeviceControl($"control-{n}", $"Control {n}", Unit.Number, 0, 1, 0.5)).ToSequence(),
    };

    private Edit OfAKit(Template template)
    {
        var player = Pick(template.Channels.Where(c => c.Source is InstrumentSource { Kit: not null }).ToSequence());
        var (id, kit) = (player.Id, ((InstrumentSource)player.Source!).Kit!);
        var output = 1 + random.Next(kit.Outputs.Count);
        Sequence<string> lines = [Pick(kit.Lines).Name, Pick(kit.Lines).Name];
        return random.Next(9) switch
        {
            0 => new PutPiece(id, Pick(kit.Pieces) with { Name = $"Piece {random.Next(9)}", Note = random.Next(128) }, random.Next(3) == 0 ? null : Pick(kit.Pieces).Name),
            1 => new RemovePieces(id, [Pick(kit.Pieces).Name]),
            2 => new PutFarMicrophone(id, FarMicrophone.Stereo($"Far {random.Next(3)}", "drums/rooms", output, (FarPlace)random.Next(2)), random.Next(2) == 0 || kit.Far.Count == 0 ? null : kit.Far[0].Microphone.Name),
            3 => new PutKitOutput(id, new($"Jack {random.Next(20)}", (ChannelFormat)random.Next(2)), random.Next(3) == 0 ? null : output),
            4 => new RemoveKitOutput(id, output),
            5 => new SendToOutput(id, lines, output),
            6 => new PinTogether(id, lines, random.Next(3) == 0 ? null : "as one"),
            7 => new KeepFamilyWhole(id, Pick(kit.Pieces).Family, random.Next(3) > 0),
            _ => new SetKitUse(id, random.Next(2) == 0, random.Next(2) == 0),
        };
    }

    private ChannelWish Wish(Template template) => new((ChannelKind)random.Next(Enum.GetValues<ChannelKind>().Length))
    {
        Name = random.Next(2) == 0 ? null : $"Åse’s {random.Next(20)}",
        Under = random.Next(2) == 0 ? null : Pick(template.Channels).Id,
        Format = random.Next(3) == 0 ? (ChannelFormat)random.Next(2) : null,
        Instrument = random.Next(3) == 0 ? Pick(InstrumentCatalogue.All).Id : null,
        Device = random.Next(3) == 0 ? Device() : null,
        SplitOf = Pick(template.Channels).Id,
        WithoutInput = random.Next(3) == 0,
    };

    /// <summary>Everything elsewhere, one piece with another microphone, one more or one less far away.</summary>
    private Kit MikedAnew(Kit kit)
    {
        var close = random.Next(kit.Pieces.Count);
        var several = Enumerable.Range(1, 2 + random.Next(2)).Select(n => new Microphone($"place {n}", 1)).ToSequence();
        var more = kit with
        {
            Pieces = kit.Pieces.Select((p, i) => p with { Microphones = i == close ? several : [new("", 1)] }).ToSequence(),
            Far = random.Next(2) == 0 ? [] : [FarMicrophone.Stereo("Gallery", "drums/rooms", 1, (FarPlace)random.Next(2))],
        };
        return more.Rewired(l => l.Microphone with
        {
            Output = 1 + random.Next(kit.Outputs.Count),
            AlsoOnFirst = random.Next(4) == 0,
            Format = (ChannelFormat)random.Next(2),
            Pan = Math.Round(random.NextDouble() * 2 - 1, 2),
            NeighboursDb = l.Piece is null || random.Next(4) > 0 ? null : -random.Next(61),
        });
    }

    private Edit Ducked(Template template, ChannelId id)
    {
        var duckers = template.Channels.SelectMany(c => c.Inserts.Where(i => i.Processor == ProcessorCatalogue.Ducker).Select(i => (c.Id, Insert: i.Id))).ToList();
        if (duckers.Count == 0)
            return new AddInsert(id, new(new($"duck-{random.Next(10000)}"), ProcessorCatalogue.Ducker), 0);
        var (owner, insert) = Pick(duckers);
        return new SetTrigger(owner, insert, random.Next(3) == 0 ? null : new([Pick(template.Channels).Id], random.Next(1, 4), [new(0, 1), new(1, random.NextDouble())])
        {
            Numbers = random.Next(2) == 0 ? [] : [36, 38, 60],
        });
    }

    private NoteInput? Input(Template template) => random.Next(4) == 0 ? null : new()
    {
        Device = random.Next(2) == 0 ? null : "Pad board",
        MidiChannel = random.Next(2) == 0 ? null : 1 + random.Next(16),
        KeptOut = [NoteMessage.Modulation, NoteMessage.PitchBend],
        Recording = (NoteRecording)random.Next(2),
        Layers = Instruments(template),
        PadMap = [new(36, random.Next(128))],
        Controllers = [new(random.Next(128), "Brightness")],
    };

    private NoteProcessor Processor() => random.Next(4) switch
    {
        0 => new Transpose(random.Next(25) - 12),
        1 => new Arpeggio((ArpeggioOrder)random.Next(4), 240, 1 + random.Next(3)),
        2 => new ChosenNotes([.. Enumerable.Range(0, 128).Where(_ => random.Next(2) == 0).DefaultIfEmpty(60)]),
        _ => new StepPattern(240, [new(100), new(0), new(60, 12)]) { On = random.Next(2) == 0 },
    };

    private Shape Curve(Channel channel)
    {
        var target = Moved(channel);
        return new(target, random.Next(2) == 0 ? "verse" : "chorus", [new(0, Within(target, channel)), new(0.2 + random.NextDouble() / 2, Within(target, channel)), new(1, Within(target, channel))]);
    }

    private Lever Lever(Template template)
    {
        var ranges = Some(4, () => Pick(template.Channels)).Select(c => (Channel: c, Target: Moved(c))).DistinctBy(x => (x.Channel.Id, x.Target))
            .Select(x => new LeverRange(x.Channel.Id, x.Target, Within(x.Target, x.Channel), Within(x.Target, x.Channel)));
        return new($"lever-{random.Next(3)}", "Sweep", random.NextDouble(), ranges.ToSequence())
        {
            Shapes = random.Next(2) == 0 ? [] : [new(random.Next(2) == 0 ? "verse" : "chorus", [new(0, random.NextDouble()), new(1, random.NextDouble())])],
        };
    }

    /// <summary>Something that a curve may move there, or something that is not there at all.</summary>
    private Target Moved(Channel channel)
    {
        var settings = channel.Inserts.SelectMany(i => i.Parameters().Where(p => p.StandsStill is null).Select(p => (Target)new InsertTarget(i.Id, p.Id)))
            .Concat(channel.Source is InstrumentSource played ? played.Parameters().Select(p => new InstrumentTarget(p.Id)) : []).ToList();
        return random.Next(6) switch
        {
            0 when channel.NoteInput is { Controllers.Count: > 0 } input => new ControllerTarget(input.Controllers[0].Number),
            0 => new PanTarget(),
            1 => new InsertTarget(new("gone"), "gain-db"),
            2 or 3 when settings.Count > 0 => Pick(settings),
            4 when channel.Sends.Count > 0 => new SendTarget(Pick(channel.Sends).To),
            _ => new LevelTarget(),
        };
    }

    private double Within(Target target, Channel channel)
    {
        var range = target.RangeOn(channel) ?? new("", 0, 1, "");
        var low = Math.Max(range.Min, Scales.SilenceDb);
        return Math.Round(low + random.NextDouble() * (range.Max - low), 3);
    }

    private Sequence<ChannelId> Instruments(Template template)
    {
        var all = template.Channels.Where(c => c.Kind == ChannelKind.Instrument).Select(c => c.Id).ToList();
        return all.Count == 0 ? [] : Some(2, () => Pick(all)).Distinct().ToSequence();
    }

    private Sequence<T> Some<T>(int most, Func<T> make) => Enumerable.Range(0, random.Next(most + 1)).Select(_ => make()).ToSequence();

    private T Pick<T>(IReadOnlyList<T> items) => items[random.Next(items.Count)];
}
