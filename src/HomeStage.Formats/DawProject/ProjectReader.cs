using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Xml;
using System.Xml.Linq;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Striking;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Wave;

namespace HomeStage.Formats.DawProject;

/// <summary>Reads a DAWproject 1.0 file as a template: our own document where it lies in the file and nobody has altered the project, else what the project says.</summary>
/// <remarks>Any order of elements, unknown ones passed over. Clips of sound that do not begin with a section stay behind, as do plug-in states, automation of devices and what no processor of
/// ours can say. Bounded: 8 GB packed, of which the sound is passed over, 32 MB of project.xml, 256 levels of nesting, 20,000 tracks, 200,000 notes.</remarks>
public static class ProjectReader
{
    /// <summary>A project of a finished song has its sound in it, which is not looked at.</summary>
    public const long MostBytes = 8L * 1024 * 1024 * 1024;

    private const int MostXml = 32 * 1024 * 1024;
    private const int DeepestNesting = 256;
    private const long MostSteps = 4_000_000;

    /// <inheritdoc cref="Read(Stream, string, CancellationToken)"/>
    public static FormatResult<ReadProject> Read(byte[] file, string title, CancellationToken cancellation = default) => Read(new MemoryStream(file, writable: false), title, cancellation);

    /// <param name="file">Can be read at any place; stays open.</param>
    /// <param name="title">What it is called where the file does not say: 1 to 80 characters.</param>
    public static FormatResult<ReadProject> Read(Stream file, string title, CancellationToken cancellation = default)
    {
        if (file.Length > MostBytes)
            return Refused("too-large", $"A project may have {MostBytes / 1024 / 1024 / 1024} GB.");
        try
        {
            using var archive = new ProjectArchive(file);
            if (archive.File("project.xml", MostXml) is not { } xml)
                return Refused("no-project", "There is no project.xml in it: this is no DAWproject.");
            var metadata = archive.File("metadata.xml", 1024 * 1024);
            return Own(archive, xml) is { } own
                ? new FormatResult<ReadProject>.Read(new(own, IsOwn: true, SoundsOf(archive, own), [], []) { States = StatesOf(archive, own) })
                : Foreign(Load(xml), Titled(metadata, title), new ReadingBudget(MostSteps, cancellation), archive, out _);
        }
        catch (InvalidDataException e)
        {
            return Refused("damaged", $"This cannot be read as a DAWproject. {e.Message}");
        }
        catch (XmlException e)
        {
            return Refused("damaged", $"Its project.xml is not whole XML: something is wrong near line {e.LineNumber}.");
        }
    }

    /// <inheritdoc cref="Returned(Stream, CancellationToken)"/>
    public static ReturnedProject? Returned(byte[] file, CancellationToken cancellation = default) => Returned(new MemoryStream(file, writable: false), cancellation);

    /// <returns>What a project of ours is now and was when it was written; null for one that is not ours, is not known, or cannot be read.</returns>
    public static ReturnedProject? Returned(Stream file, CancellationToken cancellation = default)
    {
        try
        {
            using var archive = new ProjectArchive(file);
            if (archive.File("project.xml", MostXml) is not { } xml || OriginOf(archive) is not { } origin
                || archive.File(ProjectFile.OwnDocument, MostXml) is not { } document || TemplateDocument.Read(document) is not FormatResult<Template>.Read { Value: var own }
                || own.Acts.All(a => a.Id != origin.Act))
                return null;
            var written = ProjectTree.Of(own, origin.Act, new Dictionary<string, string>()).Root!;
            if (Foreign(written, own.Name, new ReadingBudget(MostSteps, cancellation), null, out var wasTracks) is not FormatResult<ReadProject>.Read { Value.Template: var was }
                || Foreign(Load(xml), own.Name, new ReadingBudget(MostSteps, cancellation), null, out var nowTracks) is not FormatResult<ReadProject>.Read { Value.Template: var now })
                return null;
            var byTrack = own.Channels.ToDictionary(c => ProjectIds.Track(c.Id), c => c.Id, StringComparer.Ordinal);
            var known = KnownAgain.As(was, own, wasTracks.Where(t => byTrack.ContainsKey(t.Key)).ToDictionary(t => t.Value, t => byTrack[t.Key]));
            return new(origin, own, known, KnownAgain.As(now, known, Same(now, nowTracks, known, byTrack)));
        }
        catch (Exception e) when (e is InvalidDataException or XmlException)
        {
            // What is wrong with it is said where it is read as any other.
            return null;
        }
    }

    private static ProjectOrigin? OriginOf(ProjectArchive archive)
    {
        try
        {
            return archive.File(ProjectFile.OwnOrigin, 4096) is { } json ? JsonSerializer.Deserialize<ProjectOrigin>(json, DocumentJson.Options) : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <summary>A track that kept its id is the same; else one that kept its name.</summary>
    private static Dictionary<ChannelId, ChannelId> Same(Template now, IReadOnlyDictionary<string, ChannelId> tracks, Template known, Dictionary<string, ChannelId> byTrack)
    {
        var same = tracks.Where(t => byTrack.ContainsKey(t.Key) && known.Channels.Contains(byTrack[t.Key])).ToDictionary(t => t.Value, t => byTrack[t.Key]);
        same.TryAdd(now.Main.Id, known.Main.Id);
        var free = known.Channels.Where(c => !same.ContainsValue(c.Id)).ToList();
        foreach (var channel in now.Channels.Where(c => !same.ContainsKey(c.Id)))
            if (free.Find(c => c.Name == channel.Name) is { } called)
            {
                same[channel.Id] = called.Id;
                free.Remove(called);
            }

        return same;
    }

    /// <returns>SHA-256 of a project, by which one that was altered is known: 64 hexadecimal digits.</returns>
    internal static string Mark(ReadOnlySpan<byte> xml) => Convert.ToHexStringLower(SHA256.HashData(xml));

    private static Template? Own(ProjectArchive archive, byte[] xml) =>
        archive.File(ProjectFile.OwnMark, 1024) is { } mark && Encoding.ASCII.GetString(mark) == Mark(xml)
        && archive.File(ProjectFile.OwnDocument, MostXml) is { } document && TemplateDocument.Read(document) is FormatResult<Template>.Read { Value: var own }
            ? own
            : null;

    /// <summary>As they lie in the file; one that is not what it is called after is passed over, as are those beyond 1 GB together.</summary>
    private static List<(string Title, byte[] File)> SoundsOf(ProjectArchive archive, Template own)
    {
        var sounds = new List<(string Title, byte[] File)>();
        foreach (var used in own.Channels.SelectMany(c => c.Starters).Select(s => s.Sound).DistinctBy(s => s.Content))
            if (archive.File(ProjectFile.PathOf(used), WaveReader.MostBytes) is { } bytes && Mark(bytes) == used.Content && sounds.Sum(s => (long)s.File.Length) + bytes.Length <= 4L * WaveReader.MostBytes)
                sounds.Add((used.Title, bytes));
        return sounds;
    }

    private static List<(string FileName, byte[] File)> StatesOf(ProjectArchive archive, Template own) =>
        [.. HeldDevice.Of(own).Select(d => d.Device.State).OfType<Core.Devices.DeviceState>().DistinctBy(s => s.Content).Select(s => (s.FileName, File: archive.Find(ReadStates.PathOf(s), Core.Devices.DeviceState.MostBytes)!))
            .Where(s => s.File is not null)];

    /// <param name="archive">In which its sounds and states lie; null where none shall be read.</param>
    /// <param name="byTrack">By the XML id of each track the channel that it became.</param>
    private static FormatResult<ReadProject> Foreign(XElement project, string title, ReadingBudget budget, ProjectArchive? archive, out IReadOnlyDictionary<string, ChannelId> byTrack)
    {
        byTrack = new Dictionary<string, ChannelId>();
        if (project.Name.LocalName != "Project")
            return Refused("no-project", $"Its project.xml begins with {TextRules.Cleaned(project.Name.LocalName, 40)}, not with Project.");
        var left = new LeftOut();
        var found = ReadTime.Of(project, left);
        var (empty, states) = (EmptyStage.Create(title), new ReadStates(archive));
        var tracks = new ReadTracks(project, empty.Acts, left, budget, states);
        byTrack = tracks.Tracks;
        var known = byTrack;
        var lanes = (project.Element("Arrangement")?.Descendants("Lanes") ?? []).Where(l => l.Text("track") is not null).ToLookup(l => known.GetValueOrDefault(l.Text("track")!));
        var channels = tracks.Channels().Select(c => c.Source is InstrumentSource || c.Kind == ChannelKind.Notes ? c with { Patterns = ReadNotes.Patterns(lanes[c.Id], found, budget) } : c).ToList();
        var curves = new ReadCurves(tracks.Movable(), found, budget);
        var points = curves.Points(project.Element("Arrangement"));
        var sounds = new ReadSounds(archive, found, budget);
        channels = [.. channels.Select(c => sounds.On(curves.On(c, points), lanes[c.Id]))];
        if (project.Descendants("Audio").Count(a => !sounds.Took(a)) is > 0 and var clips)
            left.Add($"{clips} {(clips == 1 ? "clip" : "clips")} of sound.");
        if (sounds.Faded is > 0 and var faded)
            left.Add($"Fades of {faded} {(faded == 1 ? "clip" : "clips")} of sound.");
        if (project.Descendants("Points").Count(p => !curves.Took(p)) is > 0 and var others)
            left.Add($"{others} {(others == 1 ? "curve" : "curves")} of automation of what is no fader, pan, send or control here, or is moved already.");
        if (project.Descendants("State").Count(s => states.Of(s.Parent!) is null) is > 0 and var lost)
            left.Add($"{lost} {(lost == 1 ? "state" : "states")} of plug-ins that {(lost == 1 ? "is" : "are")} not in the file.");
        if (project.Element("Scenes")?.HasElements == true)
            left.Add("Scenes.");
        if (channels.Count > TemplateRules.MostChannels)
            return Refused("too-many", $"A template has {TemplateRules.MostChannels:N0} channels at most.");
        var template = empty with { Timeline = found.Timeline, Channels = ChannelList.From(channels) };
        return TemplateRules.Check(template) is { } wrong
            ? Refused("not-a-template", $"What it says makes no template. {wrong.Sentence}")
            : new FormatResult<ReadProject>.Read(new(template, IsOwn: false, sounds.Files, HeldOn(project, byTrack, curves, sounds), left.Words) { States = states.Files });
    }

    /// <summary>Clips of sound and curves, by the track whose lanes they lie in; those of no track are counted for none.</summary>
    private static List<HeldElsewhere> HeldOn(XElement project, IReadOnlyDictionary<string, ChannelId> tracks, ReadCurves taken, ReadSounds sounds)
    {
        var (clips, curves) = (new Dictionary<ChannelId, int>(), new Dictionary<ChannelId, int>());
        foreach (var held in project.Element("Arrangement")?.Descendants().Where(e => (e.Name.LocalName == "Audio" && !sounds.Took(e)) || (e.Name.LocalName == "Points" && !taken.Took(e))) ?? [])
        {
            if (held.Ancestors("Lanes").Select(l => l.Text("track")).FirstOrDefault(t => t is not null) is not { } track || !tracks.TryGetValue(track, out var channel))
                continue;
            var counted = held.Name.LocalName == "Audio" ? clips : curves;
            counted[channel] = counted.GetValueOrDefault(channel) + 1;
        }

        return [.. clips.Keys.Concat(curves.Keys).Distinct().Select(c => new HeldElsewhere(c, clips.GetValueOrDefault(c), curves.GetValueOrDefault(c)))];
    }

    private static string Titled(byte[]? metadata, string otherwise)
    {
        try
        {
            return metadata is not null && TextRules.Cleaned(Load(metadata).Element("Title")?.Value, TextRules.LongestName) is { Length: > 0 } title ? title : otherwise;
        }
        catch (XmlException)
        {
            // What it is called is not worth losing the rest for.
            return otherwise;
        }
    }

    /// <summary>Nothing is fetched, no entity is expanded, and what is nested without end is not built.</summary>
    /// <exception cref="XmlException">Not whole XML, or with a document type.</exception>
    /// <exception cref="InvalidDataException">Nested too deep.</exception>
    private static XElement Load(byte[] xml)
    {
        XmlReaderSettings bounded() => new() { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null, MaxCharactersInDocument = MostXml, IgnoreComments = true, IgnoreWhitespace = true, IgnoreProcessingInstructions = true };
        using (var looked = XmlReader.Create(new MemoryStream(xml, writable: false), bounded()))
            while (looked.Read())
                if (looked.Depth > DeepestNesting)
                    throw new InvalidDataException($"It is nested deeper than {DeepestNesting} levels.");
        using var reader = XmlReader.Create(new MemoryStream(xml, writable: false), bounded());
        return XDocument.Load(reader).Root!;
    }

    private static FormatResult<ReadProject>.Refused Refused(string code, string sentence) => new(code, sentence);
}
