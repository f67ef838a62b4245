using System.IO.Compression;
using System.Text;
using System.Xml.Linq;
using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Inheriting;
using HomeStage.Core.Templates;
using HomeStage.Formats.DawProject;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Formats.Tests.DawProject;

/// <summary>A project of ours that was worked on elsewhere: what was done there, and nothing else, is a change of its song.</summary>
public class ReturnedProjectTests
{
    private static readonly Template Song = OneBar(
        Bus("drums", "mix-bus"), Return("barn", "mix-bus", Insert("verb", ProcessorCatalogue.Reverb)), Trigger("pulse"),
        Tone("lead", "drums", ChannelFormat.Stereo, Insert("image", ProcessorCatalogue.Image), Insert("comp", ProcessorCatalogue.Compressor) with { Settings = Map<double>.Empty.With("knee-db", 9) }),
        new AddInsert(new("drums"), Insert("duck", ProcessorCatalogue.Compressor) with { Key = new(true) }), new PutFeed(new("pulse"), new(new("drums"), new("duck"), new(0))),
        new PutSend(new("lead"), new(new("barn"), new(-12))), new PutShape(new("lead"), new(new PanTarget(), "song", [new(0, -0.5), new(1, 0.5)])),
        new AddChannel(new() { Id = new("oboe"), Name = "Oboe", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = new InputSource(3, Monitored: true) })) with
    { Name = "Ebb" };

    [Property(MaxTest = 60)]
    public void WhatNobodyTouched_HasNotChanged(int seed)
    {
        var song = new RandomTemplates(seed).Grown(70);

        var back = Back(song, xml => xml);

        Assert.Equal(back.Was, back.Now);
        Assert.Empty(WorkElsewhere.Of(back.Was, back.Now, song));
        Assert.Equal(new("here", 7, song.Acts[0].Id), back.Origin);
        Assert.Subset(song.Channels.Select(c => c.Id).ToHashSet(), back.Was.Channels.Select(c => c.Id).ToHashSet());
    }

    [Fact]
    public void WhatWasDoneThere_IsDoneHere_AndWhatAProjectCannotSayStays()
    {
        var back = Back(Song, xml => After(xml, "name=\"Oboe\"", "<Mute", "value=\"false\"", "value=\"true\"")
            .Replace("name=\"Bus drums\"", "name=\"Kettles\"", StringComparison.Ordinal));

        var changes = WorkElsewhere.Of(back.Was, back.Now, Song);
        var now = Song.With([.. changes.SelectMany(c => c.Edits)]);

        Assert.Equal(["Oboe is muted", "Bus drums is now called Kettles"], changes.Select(c => c.Words).OrderByDescending(w => w.StartsWith("Oboe", StringComparison.Ordinal)));
        Assert.All(changes, c => Assert.Equal(Standing.Open, c.Standing));
        Assert.Equal(Song.With(new SetMute(new("oboe"), true), new RenameChannel(new("drums"), "Kettles")), now);
    }

    [Fact]
    public void IdsOfTheirOwn_AreKnownAgainByName_AndANewTrackIsNew()
    {
        var back = Back(Song, xml => WithIdsOfTheirOwn(xml)
            .Replace("</Structure>", "<Track id=\"new\" name=\"Shawm\" contentType=\"audio\"><Channel id=\"cnew\" role=\"regular\"/></Track></Structure>", StringComparison.Ordinal));

        var changes = WorkElsewhere.Of(back.Was, back.Now, Song);
        var now = Song.With([.. changes.SelectMany(c => c.Edits)]);

        Assert.Equal(["Shawm"], now.Channels.Where(c => !Song.Channels.Contains(c.Id)).Select(c => c.Name));
        Assert.All(Song.Channels, c => Assert.Equal(c, now.Channels[c.Id]));
    }

    [Fact]
    public void OtherNotes_TakeThePlaceOfWhatTheChannelPlayed()
    {
        var back = Back(Song, xml => After(xml, "<Lanes", "track=\"track.lead\"", "key=\"60\"", "key=\"67\""));

        var change = Assert.Single(WorkElsewhere.Of(back.Was, back.Now, Song));

        var notes = Song.With([.. change.Edits]).Channels[new ChannelId("lead")].Patterns.SelectMany(p => p.Notes).ToList();
        Assert.Equal([67], notes.Select(n => n.Number));
    }

    [Fact]
    public void PatternsThatPlayedTogether_DoNotPlayTwice()
    {
        var two = Song.With(new PutPattern(new("lead"), new("Above", 1920, [new(0, 480, 72, 90)], [])));
        var back = Back(two, xml => xml.Replace("key=\"72\"", "key=\"74\"", StringComparison.Ordinal));

        var notes = two.With([.. Assert.Single(WorkElsewhere.Of(back.Was, back.Now, two)).Edits]).Channels[new ChannelId("lead")].Patterns.SelectMany(p => p.Notes);

        Assert.Equal([60, 74, 74], notes.Select(n => n.Number).Order());
    }

    [Fact]
    public void WhatWasChangedHereMeanwhile_IsTold()
    {
        var back = Back(Song, xml => xml.Replace("name=\"Bus drums\"", "name=\"Kettles\"", StringComparison.Ordinal));
        var meanwhile = Song.With(new RemoveChannel(new("drums")));

        Assert.Equal(Standing.Impossible, Assert.Single(WorkElsewhere.Of(back.Was, back.Now, meanwhile)).Standing);
        Assert.Equal(Standing.Own, Assert.Single(WorkElsewhere.Of(back.Was, back.Now, Song.With(new RenameChannel(new("drums"), "Pans")))).Standing);
    }

    [Fact]
    public void AProjectFromElsewhere_OrWithoutItsOrigin_IsNoneOfOurs()
    {
        using var file = new MemoryStream();
        ProjectFile.Write(Song, "write", _ => null, file);

        Assert.Null(ProjectReader.Returned(file.ToArray()));
        Assert.Null(ProjectReader.Returned(Encoding.ASCII.GetBytes("PK nothing")));
        Assert.Null(ProjectReader.Returned(Zipped([("project.xml", "<Project/>"u8.ToArray()), ("home-stage/origin.json", "{"u8.ToArray())])));
    }

    /// <summary>The first time that something stands after two others, it stands otherwise.</summary>
    private static string After(string text, string first, string then, string was, string now)
    {
        var at = text.IndexOf(was, text.IndexOf(then, text.IndexOf(first, StringComparison.Ordinal), StringComparison.Ordinal), StringComparison.Ordinal);
        return text[..at] + now + text[(at + was.Length)..];
    }

    /// <summary>As a workstation writes it that numbers everything anew.</summary>
    private static string WithIdsOfTheirOwn(string xml)
    {
        var project = XDocument.Parse(xml);
        var numbers = project.Descendants().Attributes("id").Select((a, n) => (a.Value, n)).ToDictionary(x => x.Value, x => $"id{x.n}", StringComparer.Ordinal);
        foreach (var attribute in project.Descendants().Attributes().Where(a => numbers.ContainsKey(a.Value)))
            attribute.Value = numbers[attribute.Value];
        return project.ToString();
    }

    private static ReturnedProject Back(Template song, Func<string, string> work)
    {
        using var file = new MemoryStream();
        ProjectFile.Write(song, song.Acts[0].Id, _ => null, file, new("here", 7, song.Acts[0].Id));
        using var zip = new ZipArchive(file, ZipArchiveMode.Read);
        var entries = zip.Entries.Select(e =>
        {
            using var stream = e.Open();
            using var bytes = new MemoryStream();
            stream.CopyTo(bytes);
            return (e.FullName, e.FullName == "project.xml" ? Encoding.UTF8.GetBytes(work(Encoding.UTF8.GetString(bytes.ToArray()))) : bytes.ToArray());
        });
        var back = ProjectReader.Returned(Zipped(entries));
        Assert.NotNull(back);
        return back;
    }

    private static byte[] Zipped(IEnumerable<(string Name, byte[] Bytes)> entries)
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, bytes) in entries)
            {
                using var to = zip.CreateEntry(name).Open();
                to.Write(bytes);
            }

        return file.ToArray();
    }
}
