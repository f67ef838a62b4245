using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Outside;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Outside;

/// <summary>What the test fires, when, and what it leaves out and says so.</summary>
public sealed class TestSongTests
{
    [Fact]
    public void EverySource_IsFiredAlone_InASlotThatIsNamedAfterIt()
    {
        var song = TestSong.Of(OutsideBand.Template, InMix);

        Assert.Equal(["Kick", "Snare", "Rim", "Clap", "Tom low", "Hat closed", "Ride", "Low wire", "Fog", "Bells"], song.Fired.Select(s => s.Source.Name));
        foreach (var slot in song.Fired)
        {
            var notes = NotesIn(song, slot).ToList();
            Assert.Equal(2, notes.Count);
            Assert.All(notes, n => Assert.Equal((slot.Source.Channel, slot.Source.Note!.Value), (n.Channel, n.Note.Number)));
            Assert.Equal(slot.StartSeconds, notes[0].Note.StartSeconds, 1e-6);
            Assert.Contains(slot.Name, song.Template.Timeline.Sections.Single(s => s.Id == slot.Section).Name, StringComparison.Ordinal);
        }

        // An empty bar comes first, so that a recording that begins a little late lacks nothing.
        Assert.DoesNotContain(song.Template.Channels.SelectMany(c => c.Patterns), p => p.PlaysIn(song.Template.Timeline.Sections[0]));
    }

    [Fact]
    public void TwentySlots_HaveTwentyGaps_SoThatAStrokeIsKnownByItself()
    {
        var song = TestSong.Of(OutsideBand.Template, InMix);
        var gaps = song.Fired.Select(s => NotesIn(song, s).Select(n => n.Note.StartSeconds).ToList()).Select(n => n[1] - n[0]).ToList();

        Assert.All(gaps, g => Assert.InRange(g, 0.599, 1.171));
        Assert.All(gaps.Order().Zip(gaps.Order().Skip(1)), g => Assert.InRange(g.Second - g.First, 0.029, 1));
        // What still sounds of the first stroke is let go before the second.
        Assert.All(song.Fired, s => Assert.True(NotesIn(song, s).First().Note.EndSeconds < NotesIn(song, s).Last().Note.StartSeconds));
    }

    [Fact]
    public void ADucker_IsTriedWithItsVoiceAlone_AndUnderWhatItHears()
    {
        var song = TestSong.Of(OutsideBand.Template, InMix);
        var slots = song.Slots.OfType<DuckedSlot>().ToList();

        Assert.Equal([null, slots[1].StartSeconds + 1.2], slots.Select(s => s.HitSeconds));
        Assert.Equal(("bass", "Kick"), (slots[0].Trial.Voice.Channel.Value, slots[0].Trial.Hit!.Name));
        Assert.Equal(["bass"], NotesIn(song, slots[0]).Select(n => n.Channel.Value));
        Assert.Equal(["bass", "kit"], NotesIn(song, slots[1]).Select(n => n.Channel.Value).Order(StringComparer.Ordinal));
        Assert.Equal(slots[1].HitSeconds!.Value, NotesIn(song, slots[1]).Single(n => n.Channel == OutsideBand.Player).Note.StartSeconds, 1e-3);
    }

    [Fact]
    public void DuckersOfEveryWay_AreTried_OrItIsSaidWhyNot()
    {
        var template = OutsideBand.Template.With(
            Trigger("beat"), new AddInsert(new("rest"), Insert("pump", ProcessorCatalogue.Compressor, ("threshold-db", -30)) with { Key = new(true) }), new PutFeed(new("beat"), new(new("rest"), new("pump"), new(0))),
            new AddInsert(new("pad"), Insert("shape", ProcessorCatalogue.Ducker) with { Trigger = NoteTrigger.Plain with { Notes = [OutsideBand.Player], EveryQuarters = null, Numbers = [38] } }),
            new AddInsert(new("keys"), Insert("waves", ProcessorCatalogue.Ducker)),
            // Drums that give way to one of themselves, one that nothing feeds, one that is off, and one over voices alone.
            new AddInsert(new("drums"), Insert("self", ProcessorCatalogue.Compressor) with { Key = new(true) }), new PutFeed(new("kick"), new(new("drums"), new("self"), new(0))),
            new AddInsert(new("hall"), Insert("unfed", ProcessorCatalogue.Compressor) with { Key = new(true) }),
            new AddInsert(new("echo"), Insert("asleep", ProcessorCatalogue.Compressor) with { Key = new(true), Off = true }));

        var song = TestSong.Of(template, InMix);

        var tried = song.Slots.OfType<DuckedSlot>().Where(s => s.HitSeconds is not null).ToDictionary(s => s.Trial.Ducker.Channel.Value, s => s.Trial.Hit);
        Assert.Equal(["bass", "keys", "pad", "rest"], tried.Keys.Order(StringComparer.Ordinal));
        Assert.Equal(("Trigger beat", 38, (string?)null), (tried["rest"]!.Name, tried["pad"]!.Note!.Value, tried["keys"]?.Name));
        Assert.Equal(
        [
            "The ducker on Drums hears what is heard on its own channel as well", "The ducker on Echo is switched off in this act", "The ducker on Hall has nothing that notes could hit it by",
        ], song.Unfired.Select(u => $"{u.Name} {u.Why}").Order(StringComparer.Ordinal));
    }

    /// <summary>A trigger that strikes with one drum, and an instrument for high notes alone, would swallow middle C.</summary>
    [Fact]
    public void WhatLetsOnlySomeNotesThrough_IsStruckByOneOfThem_AndDucks()
    {
        var template = OneBar(
            Trigger("beat"), new SetNoteProcessors(new("beat"), [new ChosenNotes([36, 35])]), Tone("high", "mix-bus"), new SetNoteProcessors(new("high"), [new Transpose(-12), new ChosenNotes([88])]), Tone("low", "mix-bus"),
            new AddInsert(new("low"), Insert("pump", ProcessorCatalogue.Compressor, ("threshold-db", -30)) with { Key = new(true) }), new PutFeed(new("beat"), new(new("low"), new("pump"), new(0))));

        var song = TestSong.Of(template, InMix);

        Assert.Equal([("Tone high", 100), ("Tone low", 60)], song.Fired.Select(f => (f.Source.Name, f.Source.Note!.Value)));
        var under = song.Slots.OfType<DuckedSlot>().Single(s => s.HitSeconds is not null);
        Assert.Equal(35, under.Trial.Hit!.Note);
        // The render goes down at the stroke, and not before it.
        var sound = Renderer.Render(song.Template, new(InMix, new("low")));
        double Peak(double from) => sound.Left.Skip((int)(from * 48000)).Take(2400).Max(Math.Abs);
        Assert.True(Peak(under.HitSeconds!.Value + 0.02) < 0.5 * Peak(under.HitSeconds.Value - 0.1));
    }

    [Fact]
    public void InputsAndWhatIsTooMuch_AreSaidToBeLeftOut()
    {
        var voice = new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = new("rest"), Source = new InputSource(1, Monitored: true) });
        var many = OneBar([voice with { Channel = voice.Channel with { Destination = EmptyStage.MixBus } }, .. Enumerable.Range(1, TestSong.MostSlots + 3).Select(n => Tone($"t{n}", "mix-bus"))]);

        var song = TestSong.Of(many, InMix);

        Assert.Equal(TestSong.MostSlots, song.Slots.Count);
        Assert.Equal(["Voice comes in from outside; no note fires it", $"What comes after Tone t{TestSong.MostSlots} is more than the {TestSong.MostSlots} that one test has room for"], song.Unfired.Select(u => $"{u.Name} {u.Why}"));
    }

    [Fact]
    public void AnEmptyStage_HasNothingToFire()
    {
        var song = TestSong.Of(OneBar(), InMix);

        Assert.Empty(song.Slots);
        Assert.Empty(song.Unfired);
    }

    [Fact]
    public void Quiet_ATemplate_PlaysNothingAndKeepsAllElse()
    {
        var voice = new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = new("rest"), Source = new InputSource(1, Monitored: true, Armed: true) });
        var template = OutsideBand.Template.With(voice, Tone("tone", "rest"));

        var quiet = Audition.Quiet(template);

        Assert.Equal(new InputSource(1), quiet.Channels[new ChannelId("voice")].Source);
        Assert.Equal(template.Channels[new ChannelId("tone")] with { Patterns = [] }, quiet.Channels[new ChannelId("tone")]);
        Assert.Equal(template.Channels[new ChannelId("bass")], quiet.Channels[new ChannelId("bass")]);
    }

    private static IEnumerable<(ChannelId Channel, PlacedNote Note)> NotesIn(TestSong song, TestSlot slot) =>
        from channel in song.Template.Channels
        from note in new TimeMap(song.Template.Timeline).Lay(channel.Patterns)
        where note.StartSeconds >= slot.StartSeconds - 1e-6 && note.StartSeconds < slot.EndSeconds - 1e-6
        orderby note.StartSeconds
        select (channel.Id, note);
}
