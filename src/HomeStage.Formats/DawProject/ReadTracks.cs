using System.Xml.Linq;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Colours;
using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.Formats.Arranging;

namespace HomeStage.Formats.DawProject;

/// <summary>Tracks with their channels as channels of a template, in any nesting and order.</summary>
internal sealed class ReadTracks
{
    private const int StepsForATrack = 200;

    /// <summary>So long that a number fits behind it.</summary>
    private const int LongestWithNumber = 72;

    private readonly LeftOut _left;
    private readonly ReadStates _states;
    private readonly List<Found> _found = [];
    private readonly Dictionary<string, ChannelId> _byChannel = new(StringComparer.Ordinal);
    private readonly Dictionary<string, MovedParameter> _controls = new(StringComparer.Ordinal);

    /// <summary>A track as it was found.</summary>
    private sealed record Found(XElement Track, XElement? Channel, ChannelId Id, string Name, ChannelKind Kind);

    public ReadTracks(XElement project, Sequence<Act> acts, LeftOut left, ReadingBudget budget, ReadStates states)
    {
        (_left, _states) = (left, states);
        var (ids, names) = (new FreeNames(StringComparer.Ordinal, "-"), new FreeNames(StringComparer.OrdinalIgnoreCase, " "));
        ids.Take(EmptyStage.Main.Value);
        var master = project.Descendants("Channel").FirstOrDefault(c => c.Text("role") == "master");
        // What is a destination is a sum, whatever role it says to have.
        var sums = project.Descendants("Channel").Select(c => c.Text("destination")).OfType<string>().ToHashSet(StringComparer.Ordinal);
        foreach (var element in project.Element("Structure")?.Descendants().Where(e => e.Name.LocalName is "Track" || (e.Name.LocalName == "Channel" && e.Parent?.Name.LocalName == "Structure")) ?? [])
        {
            budget.Spend(StepsForATrack);
            var channel = element.Name.LocalName == "Channel" ? element : element.Element("Channel");
            var name = names.Take(TextRules.Cleaned(element.Text("name"), LongestWithNumber) is { Length: > 0 } said ? said : "Track");
            if (channel is null && !Contents(element).Contains("notes"))
            {
                left.Add($"{name} is a folder without a channel: what it holds stands where it goes.");
                continue;
            }

            var kind = channel is not null && channel == master ? ChannelKind.Main : KindOf(element, channel, name, sums);
            var id = kind == ChannelKind.Main ? EmptyStage.Main : new ChannelId(ids.Take(Identifier.Of(name, "track")));
            if (channel.Text("id") is { } known)
                _byChannel.TryAdd(known, id);
            _found.Add(new(element, channel, id, name, kind));
        }

        Acts = acts;
    }

    private Sequence<Act> Acts { get; }

    /// <returns>By the XML id of each track the channel that it became.</returns>
    public IReadOnlyDictionary<string, ChannelId> Tracks => _found.Where(f => f.Track.Text("id") is not null).DistinctBy(f => f.Track.Text("id")).ToDictionary(f => f.Track.Text("id")!, f => f.Id, StringComparer.Ordinal);

    /// <returns>By the XML id of its parameter, each fader, pan, send and control of a generic device. Controls are known once the channels are.</returns>
    public IReadOnlyDictionary<string, MovedParameter> Movable()
    {
        var movable = new Dictionary<string, MovedParameter>(StringComparer.Ordinal);
        foreach (var found in _found.Where(f => Capabilities.Of(f.Kind).Sounds))
        {
            if (found.Channel?.Element("Volume").Text("id") is { } volume)
                movable.TryAdd(volume, new(found.Id, new LevelTarget(), ProjectValue.Volume));
            if (found.Channel?.Element("Pan").Text("id") is { } pan)
                movable.TryAdd(pan, new(found.Id, new PanTarget(), ProjectValue.Pan));
            foreach (var send in found.Channel?.Element("Sends")?.Elements("Send") ?? [])
                if (send.Element("Volume").Text("id") is { } level && send.Text("destination") is { } to && _byChannel.TryGetValue(to, out var known))
                    movable.TryAdd(level, new(found.Id, new SendTarget(known), ProjectValue.Volume));
        }

        foreach (var (id, control) in _controls)
            movable.TryAdd(id, control);
        return movable;
    }

    public IEnumerable<Channel> Channels()
    {
        if (_found.TrueForAll(f => f.Kind != ChannelKind.Main))
            yield return new() { Id = EmptyStage.Main, Name = "Main", Kind = ChannelKind.Main, OutputPair = 1 };
        var destinations = _found.ToDictionary(f => f.Id, f => f.Channel.Text("destination") is { } to && _byChannel.TryGetValue(to, out var known) ? known : (ChannelId?)null);
        var kinds = _found.ToDictionary(f => f.Id, f => f.Kind);
        foreach (var found in _found)
            yield return Of(found, destinations, kinds);
    }

    private static string[] Contents(XElement track) => (track.Text("contentType") ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);

    private ChannelKind KindOf(XElement track, XElement? channel, string name, HashSet<string> sums)
    {
        if (channel is null)
            return ChannelKind.Notes;
        var contents = Contents(track);
        if (channel.Text("role") == "effect")
            return ChannelKind.Return;
        if (channel.Text("role") is "submix" or "master" || contents.Contains("tracks") || (channel.Text("id") is { } id && sums.Contains(id)))
            return ChannelKind.Bus;
        var (goesNowhere, role) = (channel.Text("destination") is null, RoleReader.Read(name));
        if (goesNowhere && role.Role == "trigger")
            return ChannelKind.Trigger;
        if (goesNowhere && role.Family == "direct")
            return ChannelKind.Direct;
        var playsNotes = contents.Contains("notes") || ReadDevices.Instrument(channel.Element("Devices"), _states) is not null;
        // Where the others go somewhere, what goes nowhere is heard by nobody: it can but steer something.
        return !playsNotes ? ChannelKind.Audio : goesNowhere && sums.Count > 0 ? ChannelKind.Trigger : ChannelKind.Instrument;
    }

    private Channel Of(Found found, Dictionary<ChannelId, ChannelId?> destinations, Dictionary<ChannelId, ChannelKind> kinds)
    {
        var (channel, can) = (found.Channel, Capabilities.Of(found.Kind));
        var level = channel?.Element("Volume").Db() ?? 0;
        return new()
        {
            Id = found.Id,
            Name = found.Name,
            Kind = found.Kind,
            Format = channel.Whole("audioChannels") == 1 ? ChannelFormat.Mono : ChannelFormat.Stereo,
            HueDegrees = found.Kind is ChannelKind.Bus or ChannelKind.Return ? HueOf(found.Track.Text("color")) : null,
            Note = NoteOf(found.Track.Text("comment")),
            Destination = can.FeedsASum ? Under(found, destinations, kinds) : null,
            OutputPair = can.GoesToAnOutput ? 1 : null,
            Level = level <= Scales.SilenceDb ? Core.Values.Decibels.Silence : new(Math.Min(level, Core.Values.Decibels.FaderTop.Value)),
            Pan = channel?.Element("Pan").Pan() ?? 0,
            Muted = channel?.Element("Mute").Truth("value") ?? false,
            Sends = can.Sends ? Sends(found, kinds) : [],
            Inserts = can.Sounds ? Inserts(found) : [],
            Source = SourceOf(found),
            Stages = found.Track.Truth("loaded") == false && !can.StandsOnce ? Map<StageState>.From(Acts.Select(a => KeyValuePair.Create(a.Id, StageState.InTheWings))) : Map<StageState>.Empty,
        };
    }

    private Sequence<Insert> Inserts(Found found)
    {
        var read = ReadDevices.Inserts(found.Channel?.Element("Devices"), found.Name, _left, _states);
        foreach (var (insert, controls) in read)
            foreach (var (id, parameter) in controls)
                if (DeviceElements.ValueOf(insert, parameter) is { } value)
                    _controls.TryAdd(id, new(found.Id, new InsertTarget(insert.Id, parameter), value));
        return read.Select(r => r.Insert).ToSequence();
    }

    /// <summary>A way that comes back to where it began leads to the main.</summary>
    private ChannelId Under(Found found, Dictionary<ChannelId, ChannelId?> destinations, Dictionary<ChannelId, ChannelKind> kinds)
    {
        if (destinations[found.Id] is not { } to || !Capabilities.Of(kinds[to]).Sums)
            return EmptyStage.Main;
        var seen = new HashSet<ChannelId> { found.Id };
        for (ChannelId? at = to; at is { } next; at = destinations.GetValueOrDefault(next))
            if (!seen.Add(next))
            {
                _left.Add($"{found.Name} feeds itself by the way it goes: it goes to the main.");
                destinations[found.Id] = EmptyStage.Main;
                return EmptyStage.Main;
            }

        return to;
    }

    private Sequence<Send> Sends(Found found, Dictionary<ChannelId, ChannelKind> kinds)
    {
        var sends = new List<Send>();
        foreach (var send in found.Channel?.Element("Sends")?.Elements("Send") ?? [])
            if (send.Text("destination") is { } to && _byChannel.TryGetValue(to, out var known) && Capabilities.Of(kinds[known]).TakesSends && known != found.Id && sends.TrueForAll(s => s.To != known))
            {
                var level = send.Element("Volume").Db() ?? 0;
                sends.Add(level <= Scales.SilenceDb
                    ? new(known, UsualSend, TapOf(send), Open: false)
                    : new(known, new(Math.Min(level, Core.Values.Decibels.FaderTop.Value)), TapOf(send)));
            }
            else
            {
                _left.Add($"{found.Name}: a send to something that takes none.");
            }

        return sends.OrderBy(s => s.To.Value, StringComparer.Ordinal).ToSequence();
    }

    /// <summary>At which a send that is turned down would open (common practice).</summary>
    private static readonly Core.Values.Decibels UsualSend = new(-12);

    private static TapPoint TapOf(XElement send) => send.Text("type") == "pre" ? TapPoint.Pre : TapPoint.Post;

    private Source? SourceOf(Found found)
    {
        if (found.Kind is not (ChannelKind.Instrument or ChannelKind.Trigger) && !(found.Kind == ChannelKind.Direct && Contents(found.Track).Contains("notes")))
            return null;
        var device = ReadDevices.Instrument(found.Channel?.Element("Devices"), _states);
        var instrument = found.Kind switch
        {
            ChannelKind.Trigger => InstrumentCatalogue.KeyTone,
            ChannelKind.Direct => InstrumentCatalogue.CountInTick,
            _ => FittingInstrument.For(device?.Name is { } name && RoleReader.Read(found.Name).Role == RoleNames.Unknown ? name : found.Name, null),
        };
        return new InstrumentSource(instrument, InstrumentCatalogue.Find(instrument)?.Kit?.Together()) { Device = device };
    }

    private static string NoteOf(string? comment)
    {
        var note = string.Join('\n', (comment ?? "").Split('\n').Select(l => TextRules.Cleaned(l, TextRules.LongestNote)));
        return note.Length <= TextRules.LongestNote ? note : note[..TextRules.LongestNote];
    }

    private static double? HueOf(string? colour)
    {
        if (colour is not ['#', _, _, _, _, _, _] || !colour.Skip(1).All(char.IsAsciiHexDigit))
            return null;
        var seen = Oklab.Of(Rgb.Parse(colour));
        // Grey has no hue.
        return Math.Sqrt(seen.A * seen.A + seen.B * seen.B) < 0.02 ? null : Palette.OutsideLamps((Math.Round(Math.Atan2(seen.B, seen.A) * 180 / Math.PI) + 360) % 360);
    }
}
