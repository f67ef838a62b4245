using HomeStage.Core.Casting;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Colours;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Casting;

/// <summary>A list becomes ordinary edits, on an empty stage or into a template that is there.</summary>
public class CastPlanTests
{
    private static readonly Template Empty = EmptyStage.Create("Cast") with { Defaults = HouseStrips.All };

    [Fact]
    public void AListOnAnEmptyStage_IsTheTemplate()
    {
        var plan = CastPlan.Of(Empty, """
            Voices: two singers, three answers; mono; input 1
            Drums: eleven pads, mono jacks
            Returns: stairwell, spring 1.4 s, slap 1/8 into spring
            Low: sub -4 dB
            """);

        Assert.Empty(plan.Marks);
        Assert.Empty(plan.Left);
        Assert.Equal(plan.After, Assert.IsType<BatchResult.Applied>(Batch.Apply(Empty, plan.Edits)).Template);
        var singer = Named(plan, "Singer 1");
        Assert.Equal((ChannelKind.Audio, "Voices", new InputSource(1, null, true, true), ChannelFormat.Mono), (singer.Kind, plan.After.Channels[singer.Destination!.Value].Name, singer.Source, singer.Format));
        // Voices have what voices have by default, and every return in place, closed, though the returns come later in the list.
        Assert.Contains(singer.Inserts, i => i.Processor == ProcessorCatalogue.PitchCorrection);
        Assert.Equal(["Slap", "Spring", "Stairwell"], singer.Sends.Select(s => plan.After.Channels[s.To].Name).Order());
        Assert.All(singer.Sends, s => Assert.False(s.Open));
        Assert.Equal("harmony-voice", Named(plan, "Answer 3").Role);
        // n pads split singly are n splits beside the notes (common practice).
        Assert.Equal(11, plan.After.Channels.Count(c => c.Kind == ChannelKind.Split && c.Format == ChannelFormat.Mono));
        Assert.Equal(1.4, Setting(plan, "Spring", ProcessorCatalogue.Reverb, "decay-s"));
        Assert.Equal((0.5, 0.5), (Setting(plan, "Slap", ProcessorCatalogue.Delay, "left-quarters"), Setting(plan, "Slap", ProcessorCatalogue.Delay, "right-quarters")));
        Assert.Equal((Named(plan, "Spring").Id, true), (Named(plan, "Slap").Sends.Single().To, Named(plan, "Slap").Sends.Single().Open));
        Assert.Equal(-4, Named(plan, "Sub").Level.Value);
        Assert.Equal(plan.After.Channels.Count - Empty.Channels.Count, plan.Made.Count);
    }

    /// <summary>Who shares an input takes turns: one of them is heard and armed. Takes are sung into one; who says nothing takes one of their own.</summary>
    [Fact]
    public void Inputs_AreHeardOnce_AndNobodyTakesWhatAnotherIsTold()
    {
        var plan = CastPlan.Of(Empty, "Fiddles: fiddle (audio), viola inputs 3 and 4\nVoices: alto, tenor; mono; input 1\n  Narrator: three takes\nHum: hum input 4");

        InputSource Of(string name) => (InputSource)Named(plan, name).Source!;
        Assert.Equal([5, 6, 6, 6], new[] { "Fiddle", "Narrator take 1", "Narrator take 2", "Narrator take 3" }.Select(n => Of(n).First));
        Assert.Equal(["Alto", "Fiddle", "Narrator take 1", "Viola"], plan.After.Channels.Where(c => c.Source is InputSource { Monitored: true, Armed: true }).Select(c => c.Name).Order());
        Assert.DoesNotContain(plan.After.Acts.SelectMany(a => Report.Of(plan.After, a.Id).Open), f => f.Rule == "input-shared");
    }

    [Fact]
    public void BothSidesOfWhatIsStereo_AreNobodyElses()
    {
        var plan = CastPlan.Of(Empty, "Plucked: lute (audio)\nRoom: crowd (audio); stereo; input 5");

        Assert.Equal(new InputSource(5, 6, true, true), Named(plan, "Crowd").Source);
        Assert.Equal(7, ((InputSource)Named(plan, "Lute").Source!).First);
    }

    [Fact]
    public void AMachineOnMoreOutputsThanPieces_HasThem()
    {
        var plan = CastPlan.Of(Empty, "Boxes: thump, tick, hiss on nine outputs");

        Assert.Equal(9, ((InstrumentSource)plan.After.Channels.Single(c => c.Kind == ChannelKind.Instrument).Source!).Outputs.Sum(o => o.Format == ChannelFormat.Stereo ? 2 : 1));
    }

    [Fact]
    public void Buses_HaveTheHueOfTheirFamily_AndOthersOneOfTheirOwn()
    {
        var plan = CastPlan.Of(Empty, "Voices: a\n  Choir: b\nOddities: c\nReturns: hall");

        Assert.Equal([FamilyHues.Of("voices"), FamilyHues.Of("returns"), null], new[] { "Voices", "Returns", "Choir" }.Select(n => Named(plan, n).HueDegrees));
        Assert.All([FamilyHues.Of("voices")!.Value, FamilyHues.Of("returns")!.Value], taken => Assert.InRange(Math.Abs(Named(plan, "Oddities").HueDegrees!.Value - taken), 60, 300));
        Assert.All(RoleNames.Families, f => Assert.False(FamilyHues.Of(f) is { } hue && Palette.IsLamps(hue)));
    }

    /// <summary>A machine whose snare has a rim beside it: their sum is called otherwise, and what strikes with a machine without notes is no fault.</summary>
    [Fact]
    public void WhatALongListMakes_HasNothingAboveAHint()
    {
        var plan = CastPlan.Of(Empty, CastExample.Text);

        Assert.Empty(plan.Marks);
        Assert.Equal([], plan.After.Acts.SelectMany(a => Report.Of(plan.After, a.Id).Open).Where(f => f.Severity != Severity.Hint).Select(f => f.Sentence));
        Assert.Contains(plan.After.Channels, c => c is { Kind: ChannelKind.Bus, Name: "Snare sum" });
    }

    /// <summary>What makes room is solved on its detector: as deep as asked, back by the note value asked (4/4 at 120: an eighth is 250 ms).</summary>
    [Fact]
    public void MakingRoom_IsSolved_ForATrigger_APieceAndABeat_WithOneTriggerForAllThatFollowTheSame()
    {
        var plan = CastPlan.Of(Empty, """
            Triggers: heart every beat
            Bass: sub; makes room for heart, 5 dB, back by 1/8
            Pads: fog; makes room for Kick 8 dB
            Keys: bells; ducks under the kick, 3 dB
            Drums: six pads
            """);

        Assert.Empty(plan.Marks);
        Assert.Equal(2, plan.After.Channels.Count(c => c.Kind == ChannelKind.Trigger));
        Assert.Equal(["Bass", "Keys", "Pads"], Ducker.In(plan.After).Select(d => plan.After.Channels[d.Channel].Name).Order());
        var heart = Ducker.In(plan.After).Single(d => d.Channel == Named(plan, "Bass").Id);
        var run = DuckingRun.Of(plan.After, "write", plan.After.Timeline.Sections[0].Id, heart).Run!.Reading;
        Assert.Equal(5, run.DepthDb, 0.2);
        Assert.Equal(250, run.BackMs!.Value, 2.0);
        // The machine plays nothing yet; once it does, what follows its kick goes down as asked.
        var machine = Named(plan, "Drum machine");
        var kick = ((InstrumentSource)machine.Source!).Kit!.Pieces.First(p => p.Name == "Kick").Note;
        var played = plan.After.With(new PutPattern(machine.Id, new("Floor", 1920, [new(0, 240, kick, 100)], [])));
        foreach (var (name, depth, back) in ((string, double, double)[])[("Pads", 8, 250), ("Keys", 3, 250)])
        {
            var reading = DuckingRun.Of(played, "write", played.Timeline.Sections[0].Id, Ducker.In(played).Single(d => d.Channel == Named(plan, name).Id)).Run!.Reading;
            Assert.Equal(depth, reading.DepthDb, 0.2);
            Assert.Equal(back, reading.BackMs!.Value, 2.0);
        }

        // A glance at it, on every key, leaves the duckers out and says what was meant.
        var glance = CastPlan.Of(Empty, "Bass: sub; makes room for heart\nTriggers: heart", solved: false);
        Assert.Empty(Ducker.In(glance.After));
        Assert.Equal("heart", Assert.Single(glance.Rooms).Value.RoomFor);
    }

    [Fact]
    public void WhatCannotBe_IsMarked_AndAllElseIsMade()
    {
        var plan = CastPlan.Of(Empty, "Bass: sub; makes room for nobody\nReturns: hall into nowhere, a into b, b into a\nKeys: piece (split of Piano)");

        Assert.Equal([0, 1, 1, 2], plan.Marks.Select(m => m.At.Line));
        Assert.All(plan.Marks, m => Assert.NotEmpty(m.Sentence));
        Assert.Equal(["A", "B", "Bass", "Hall", "Keys", "Returns", "Sub"], plan.Made.Select(id => plan.After.Channels[id].Name).Order());
        Assert.IsType<BatchResult.Applied>(Batch.Apply(Empty, plan.Edits));
    }

    [Fact]
    public void IntoWhatIsThere_OnlyWhatIsNewComes_WhereItStandsInTheList()
    {
        var there = CastPlan.Of(Empty, "Voices: alto, tenor\nBass: sub").After;

        var plan = CastPlan.Of(there, "Voices: alto, descant, tenor\nBass: sub");

        Assert.Equal("Descant", plan.After.Channels[Assert.Single(plan.Made)].Name);
        Assert.Empty(plan.Changed);
        Assert.Equal(["Alto", "Descant", "Tenor"], plan.After.Channels.Where(c => c.Destination == Named(plan, "Voices").Id).Select(c => c.Name));
    }

    [Fact]
    public void AListThatWasReadAndChanged_ChangesWhatWasChangedInIt()
    {
        var there = CastPlan.Of(Empty, "Voices: alto input 1, tenor input 2, bass voice input 3\nLow: sub").After;
        var was = CastText.Of(there);

        var plan = CastPlan.Of(there, was.Replace("Alto input 1", "Alto input 6", StringComparison.Ordinal).Replace(", Bass voice input 3", "", StringComparison.Ordinal).Replace("Low: Sub", "Low: Sub mono", StringComparison.Ordinal), was);

        Assert.Empty(plan.Left);
        Assert.Equal(6, ((InputSource)Named(plan, "Alto").Source!).First);
        Assert.Equal(ChannelFormat.Mono, Named(plan, "Sub").Format);
        Assert.DoesNotContain(plan.After.Channels, c => c.Name == "Bass voice");
        var moved = CastPlan.Of(there, "Voices: alto input 1, tenor input 2, bass voice input 3, sub (instrument)\nLow", was);
        Assert.Equal("Voices", moved.After.Channels[Named(moved, "Sub").Destination!.Value].Name);
    }

    /// <summary>Worked by hand: the tenor was given another input and a level, the sub a starter, and the alto feeds elsewhere.</summary>
    [Fact]
    public void WhatWasSetByHand_IsLeft_AndListed()
    {
        var text = "Voices: alto input 1, tenor input 2\nLow: sub\nSide";
        var made = CastPlan.Of(Empty, text).After;
        ChannelId Id(string name) => made.Channels.Single(c => c.Name == name).Id;
        var altered = made.With(
            new TakeInput(Id("Tenor"), new(9)), new SetLevel(Id("Tenor"), new(-3)), new PutPattern(Id("Sub"), new("Riff", 960, [], [])), new SetDestination(Id("Alto"), Id("Side")));

        // The list as it was typed once, put on again: nothing is done, and what differs is said.
        var again = CastPlan.Of(altered, text);
        Assert.Equal(altered, again.After);
        Assert.Equal(["Alto feeds Side, and stays so where the list has Voices.", "Tenor takes input 9, and stays so where the list has 2."], again.Left);

        // What falls out of the list goes where it is as a list makes it.
        var was = CastText.Of(altered);
        var fewer = CastPlan.Of(altered, "Voices\nSide", was);
        Assert.Equal(["Side", "Sub", "Tenor", "Voices"], fewer.After.Channels.Skip(2).Select(c => c.Name).Order());
        Assert.Equal(["Sub is in the list no more and stays: it has starters.", "Tenor is in the list no more and stays: its level or pan was set."], fewer.Left.Order());
        Assert.Equal("mix-bus", fewer.After.Channels[Id("Sub")].Destination!.Value.Value);
    }

    [Fact]
    public void WhatWasMovedToTheMixBusByHand_IsToldByItsName()
    {
        var made = CastPlan.Of(Empty, "Voices: alto").After;
        var moved = made.With(new SetDestination(made.Channels.Single(c => c.Name == "Alto").Id, EmptyStage.MixBus));

        Assert.Equal(["Alto feeds Mix bus, and stays so where the list has Voices."], CastPlan.Of(moved, "Voices: alto").Left);
    }

    [Fact]
    public void ABus_HasItsLevel_BesideTheDepthThatItMakesRoomBy()
    {
        var plan = CastPlan.Of(Empty, "Fog; -3 dB; makes room for the beat, 5 dB", solved: false);

        Assert.Equal((-3.0, 5.0), (Named(plan, "Fog").Level.Value, plan.Rooms[Named(plan, "Fog").Id].RoomDb));
    }

    [Fact]
    public void TheTimeline_KeepsWhatItHasOfItsOwn()
    {
        var there = Empty with { Timeline = new(100, new(4, 4), [new("s1", "Verse", 8, 90), new("s2", "Lift", 4)]) };

        var after = CastPlan.Of(there, "Sections: Verse 12, Coda 2\nMeter 3/4").After.Timeline;

        Assert.Equal((100, "3/4"), (after.TempoBpm, after.Meter.ToString()));
        Assert.Equal([("s1", 12, 90.0), ("coda", 2, null)], after.Sections.Select(s => (s.Id, s.Bars, s.TempoBpm)));
    }

    private static Channel Named(CastPlan plan, string name) => plan.After.Channels.Single(c => c.Name == name);

    private static double? Setting(CastPlan plan, string channel, string processor, string parameter) =>
        Named(plan, channel).Inserts.Single(i => i.Processor == processor).Settings.TryGetValue(parameter, out var value) ? value : null;
}
