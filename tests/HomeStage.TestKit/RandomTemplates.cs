using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.TestKit;

/// <summary>Templates and edits by chance: mostly sensible, now and then not, as people are.</summary>
public sealed class RandomTemplates(int seed)
{
    private readonly Random _random = new(seed);
    private int _made;

    /// <summary>A template grown by that many edits; those that are refused leave it as it was.</summary>
    public Template Grown(int edits)
    {
        var template = EmptyStage.Create("Grown by chance");
        for (var i = 0; i < edits; i++)
            template = Batch.Apply(template, [Next(template)]) is BatchResult.Applied applied ? applied.Template : template;
        return template;
    }

    public IReadOnlyList<Edit> Edits(Template template, int size)
    {
        var edits = new List<Edit>();
        for (var i = 0; i < size; i++)
        {
            var edit = Next(template);
            edits.Add(edit);
            if (edit.ApplyTo(template) is EditResult.Applied applied)
                template = applied.Template;
        }

        return edits;
    }

    /// <summary>A batch that can be applied: of edits that may not be possible those that are, so that a property meets every kind of edit
    /// often and never returns early.</summary>
    /// <param name="size">How many, at least 1.</param>
    public (IReadOnlyList<Edit> Edits, Template After) Possible(Template template, int size)
    {
        var edits = new List<Edit>();
        var after = template;
        while (edits.Count < size)
        {
            var edit = Next(after);
            if (Batch.Apply(after, [edit]) is not BatchResult.Applied { Template: var next })
                continue;
            edits.Add(edit);
            after = next;
        }

        return (edits, after);
    }

    /// <summary>An edit that may or may not be possible.</summary>
    public Edit Next(Template template)
    {
        var channel = Pick(template.Channels);
        var id = channel.Id;
        var insert = channel.Inserts.Count > 0 ? Pick(channel.Inserts) : null;
        return _random.Next(42) switch
        {
            >= 30 => new RandomParts(_random).Next(template),
            0 or 1 or 2 or 3 => new AddChannel(NewChannel(template), _random.Next(template.Channels.Count + 1)),
            4 => new RemoveChannel(id),
            5 => new RenameChannel(id, $"Name {_random.Next(100)}"),
            6 or 7 => new MoveChannel(id, Pick(template.Channels).Id, _random.Next(3) == 0 ? null : Pick(template.Channels).Id),
            8 => new SetLevel(id, Level()),
            9 => new SetPan(id, Math.Round(_random.NextDouble() * 2 - 1, 2)),
            10 => new SetMute(id, _random.Next(2) == 0),
            11 => new SetHue(id, _random.Next(3) == 0 ? null : _random.Next(360)),
            12 => new SetNote(id, $"Note {_random.Next(100)}"),
            13 => new SetFormat(id, Pick<ChannelFormat>([ChannelFormat.Mono, ChannelFormat.Stereo])),
            14 => new SetStage(id, Pick(template.Acts).Id, (StageState)_random.Next(3)),
            15 or 16 => new AddInsert(id, NewInsert(), _random.Next(channel.Inserts.Count + 1)),
            17 when insert is not null => new RemoveInsert(id, insert.Id),
            18 when insert is not null => new MoveInsert(id, insert.Id, _random.Next(channel.Inserts.Count)),
            19 when insert is not null => Turn(id, insert),
            20 when insert is not null => new SetKey(id, insert.Id, new(true, _random.Next(2) == 0 ? 90 : null)),
            21 => new PutSend(id, new(Pick(template.Channels).Id, Level(), (TapPoint)_random.Next(2), _random.Next(2) == 0)),
            22 when channel.Sends.Count > 0 => new RemoveSend(id, Pick(channel.Sends).To),
            23 => Feed(template, id),
            24 => new PutPattern(id, NewPattern()),
            25 => new SetActs(_random.Next(3) == 0 ? template.Acts.Add(new($"act-{_made++}", "Another")) : template.Acts.Where(_ => _random.Next(3) > 0).ToSequence()),
            26 when insert is not null => new ParkInsert(id, insert.Id, [Pick(template.Acts).Id]),
            27 => new AcceptFinding($"rule/{_random.Next(4)}", _random.Next(3) == 0 ? null : "As meant"),
            _ => new SetTimeline(new(60 + _random.Next(100), new(3 + _random.Next(4), 4), [new(_random.Next(3) == 0 ? "Strophe" : "Verse", 1 + _random.Next(8), Id: "verse"), new("Chorus", 2, 90, new(6, 8))]) { CountIn = _random.Next(3) == 0 ? new(_random.Next(3), _random.Next(2) == 0) : null }),
        };
    }

    private Channel NewChannel(Template template)
    {
        ChannelKind[] kinds = [ChannelKind.Bus, ChannelKind.Bus, ChannelKind.Return, ChannelKind.Audio, ChannelKind.Instrument, ChannelKind.Instrument, ChannelKind.Split, ChannelKind.Trigger, ChannelKind.Direct, ChannelKind.Notes];
        var kind = Pick<ChannelKind>(kinds);
        var sums = template.Channels.Where(c => c.Kind is ChannelKind.Bus or ChannelKind.Main).ToList();
        var rooted = kind is ChannelKind.Trigger or ChannelKind.Direct or ChannelKind.Notes;
        var instrument = Pick(InstrumentCatalogue.All);
        var format = _random.Next(2) == 0 ? ChannelFormat.Mono : ChannelFormat.Stereo;
        var kits = template.Channels.Where(c => c.Source is InstrumentSource { Kit: not null }).ToList();
        return new()
        {
            Id = new($"c{_made++}-{_random.Next(1000)}"),
            Name = $"{kind} {_made}",
            Kind = kind,
            Format = format,
            Destination = rooted ? null : Pick(sums).Id,
            OutputPair = kind == ChannelKind.Direct ? 1 + _random.Next(4) : null,
            Level = Level(),
            Source = kind switch
            {
                ChannelKind.Instrument => new InstrumentSource(instrument.Id, instrument.Kit),
                ChannelKind.Trigger => new InstrumentSource(InstrumentCatalogue.KeyTone),
                ChannelKind.Split when kits.Count > 0 => new OutputSource(Pick(kits).Id, 2 + _random.Next(7)),
                ChannelKind.Audio => new InputSource(1 + _random.Next(8), format == ChannelFormat.Stereo ? 9 + _random.Next(4) : null, Monitored: true),
                _ => null,
            },
            Patterns = kind == ChannelKind.Instrument ? [NewPattern()] : [],
        };
    }

    private Insert NewInsert() => new(new($"i{_made++}"), Pick(ProcessorCatalogue.All).Id) { Device = _random.Next(4) == 0 ? new RandomParts(_random).Device() : null };

    private SetParameter Turn(ChannelId id, Insert insert)
    {
        if (insert.Parameters().ToList() is not { Count: > 0 } parameters)
            return new(id, insert.Id, "none", null);
        var parameter = Pick(parameters);
        return new(id, insert.Id, parameter.Id, Math.Round(parameter.Min + _random.NextDouble() * (parameter.Max - parameter.Min), 3));
    }

    private Edit Feed(Template template, ChannelId from)
    {
        var targets = template.Channels.SelectMany(c => c.Inserts.Where(i => i.Processor == ProcessorCatalogue.Compressor).Select(i => (c.Id, Insert: i.Id))).ToList();
        if (targets.Count == 0)
            return new SetMute(from, true);
        var (channel, insert) = Pick(targets);
        return new PutFeed(from, new(channel, insert, Level(), (TapPoint)_random.Next(2)));
    }

    private Pattern NewPattern()
    {
        var notes = Enumerable.Range(0, _random.Next(12)).Select(_ => new Note(_random.Next(8) * 480, 1 + _random.Next(900), 30 + _random.Next(60), 1 + _random.Next(127)));
        return new($"Pattern {_random.Next(6)}", 8 * 480, notes.OrderBy(n => n.StartTick).ThenBy(n => n.Number).ToSequence(), _random.Next(2) == 0 ? [] : ["verse"]);
    }

    private Decibels Level() => _random.Next(8) == 0 ? Decibels.Silence : new(Math.Round(_random.NextDouble() * 66 - 60, 1));

    private T Pick<T>(IReadOnlyList<T> items) => items[_random.Next(items.Count)];
}
