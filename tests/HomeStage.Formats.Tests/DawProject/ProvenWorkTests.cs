using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Outside;
using HomeStage.Core.Templates;
using HomeStage.Formats.DawProject;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Formats.Tests.DawProject;

/// <summary>Which lines of handwork a line check from outside shows to be done: what was heard, and nothing that could have been left undone all the same.</summary>
public sealed class ProvenWorkTests
{
    private static readonly Template Band = OneBar(
        Return("hall", "mix-bus", Insert("verb", ProcessorCatalogue.Reverb)),
        new AddChannel(new() { Id = new("kit"), Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, StandInKits.Breakwater) }),
        Split("kick", 2), Split("snare", 3), Tone("tone", "mix-bus", ChannelFormat.Stereo, Insert("duck", ProcessorCatalogue.Compressor, ("threshold-db", -40), ("ratio", 8)) with { Key = new(true) }, Insert("late", ProcessorCatalogue.Limiter)),
        new PutFeed(new("kick"), new(new("tone"), new("duck"), new(0))), new PutFeed(new("snare"), new(new("tone"), new("duck"), new(0))),
        new PutSend(new("snare"), new(new("hall"), new(-10))), new SetPolarity(new("snare"), true));

    private static readonly TestSong Song = TestSong.Of(Band, InMix);
    private static readonly Core.Outside.Reference Expected = Core.Outside.Reference.Of(Song, new MemoryTapes());

    [Fact]
    public void WhatIsHeard_IsDone_AndWhatMayBeSilentAllTheSame_IsNot()
    {
        var done = Done(new Workstation(Song).All());

        Assert.Contains("Split kick: takes output 2 of Kit", done);
        Assert.Contains("Kit: put an instrument where Breakwater Kit stood in", done);
        Assert.Contains("Split snare: turn it upside down", done);
        Assert.Contains(done, w => w.StartsWith("Return hall: put in reverb", StringComparison.Ordinal));
        // Kick alone was struck: what feeds the key besides may be missing. A limiter may do nothing at all.
        Assert.Contains(done, w => w.StartsWith("Split kick: feed the key of", StringComparison.Ordinal));
        Assert.DoesNotContain(done, w => w.StartsWith("Split snare: feed the key of", StringComparison.Ordinal) || w.Contains("limiter", StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public void WhatIsNotHeard_OrWrong_IsNotDone()
    {
        var done = Done(new Workstation(Song, new SetPolarity(new("snare"), false), new RemoveFeed(new("kick"), new("tone"), new("duck"))).All().Where(f => f.Name != "Return hall.wav"));

        Assert.Contains("Split kick: takes output 2 of Kit", done);
        Assert.DoesNotContain(done, w => w.Contains("snare", StringComparison.Ordinal) || w.Contains("hall", StringComparison.Ordinal) || w.Contains("feed the key", StringComparison.Ordinal));
    }

    [Fact]
    public void OtherSound_ShowsWhatIsPatched_NotWhatIsSet()
    {
        var kit = StandInKits.Breakwater;
        var other = kit with { Pieces = kit.Pieces.Select((p, n) => Piece.Pad(p.Name, p.Note, p.Family, p.Microphones[0].Output, n % 2 == 0 ? DrumSound.Bell : DrumSound.Gong)).ToSequence() };
        var answer = Check(new Workstation(Song, new SetSource(new("kit"), new InstrumentSource(InstrumentCatalogue.Breakwater, other)), new SetSource(new("tone"), new InstrumentSource(InstrumentCatalogue.Reedbox))).All());

        Assert.False(answer.SoundsAreThose);
        var done = Done(answer);
        Assert.Contains("Split kick: takes output 2 of Kit", done);
        Assert.DoesNotContain(done, w => w.Contains("upside down", StringComparison.Ordinal) || w.Contains("put in reverb", StringComparison.Ordinal));
    }

    private static List<string> Done(IEnumerable<Recorded> files) => Done(Check(files));

    private static List<string> Done(OutsideAnswer answer)
    {
        var work = HandworkList.Of(Band);
        return [.. work.Zip(ProvenWork.Of(work, Song, answer)).Where(w => w.Second).Select(w => w.First.Words)];
    }

    private static OutsideAnswer Check(IEnumerable<Recorded> files) => OutsideCheck.Of(Expected, [.. files.Select(f => Expected.Brought(f.Name, f.Lanes, f.SampleRateHz, new MemoryTapes()))]);

    private static AddChannel Split(string id, int output) => new(new() { Id = new(id), Name = $"Split {id}", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), output) });
}
