using HomeStage.Core.Casting;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests.Casting;

/// <summary>A few answers come to a list, and the list to a template without a fault.</summary>
public class BriefTests
{
    private static readonly Template Empty = EmptyStage.Create("Brief") with { Defaults = HouseStrips.All };

    [Fact]
    public void List_OfABand_ReadsAsOneWouldWriteIt()
    {
        var brief = new Brief
        {
            Kit = InstrumentCatalogue.Tidewater,
            SplitOver = 5,
            ForTheKick = true,
            Basses = 1,
            Keys = 2,
            ElectricGuitars = 2,
            Singers = 2,
            TakesEach = 3,
            Answers = 3,
            Chorus = 4,
            Returns = ["hall", "far-echo"],
            Rooms = [new("Bass", 6), new("Instruments", 3.5)],
            BackQuarters = 0.75,
            Sections = "Verse 8\nChorus 8",
            Spares = 2,
            References = 1,
            CountIn = true,
        };

        Assert.Null(brief.Check());
        Assert.Equal("""
            Drums: Tidewater Kit by Tidewater Kit, split over 5
            Bass: bass line, spare × 2; makes room for Deep drum, 6 dB, back by 1/8D
            Instruments: keyboard × 2, spare × 2; makes room for Deep drum, 3.5 dB, back by 1/8D
            Guitars: electric guitar × 2, spare × 2
            Voices: answer × 3, spare × 2
              Singer 1: take × 3
              Singer 2: take × 3
              Chorus: chorus voice × 4
            Returns: hall 2.4 s, far echo 1/4 dotted, into hall
            Around the main: reference, count-in
            Sections: Verse 8, Chorus 8

            """, brief.List(), ignoreLineEndingDifferences: true);

        var plan = CastPlan.Of(Empty, brief.List());
        Assert.Empty(plan.Marks);
        Assert.Equal(5, plan.After.Channels.Count(c => c.Kind == ChannelKind.Split));
        Assert.Equal(6, plan.After.Channels.Count(c => c.Name.Contains("take", StringComparison.Ordinal)));
        // Two under each of four buses.
        Assert.Equal(8, plan.After.Channels.Count(c => c.Spare));
        Assert.Equal(["Bass", "Instruments"], Ducker.In(plan.After).Select(d => plan.After.Channels[d.Channel].Name).Order());
    }

    /// <summary>Briefs by chance: every number is what was asked for, and every rule of the soundcheck is content in every act.</summary>
    [Repeated(10, 300)]
    public void AnyBrief_HasNothingAboveAHint(int seed)
    {
        var brief = Any(new Random(seed));
        Assert.Null(brief.Check());

        var made = CastPlan.Of(Empty, brief.List());
        var (plan, mended) = made.Sound();

        Assert.Empty(made.Marks);
        Assert.All(mended, m => Assert.NotEmpty(m));
        Assert.Equal(plan.After, Assert.IsType<BatchResult.Applied>(Batch.Apply(Empty, plan.Edits)).Template);
        Assert.Equal([], plan.After.Acts.SelectMany(a => Report.Of(plan.After, a.Id).Open).Where(f => f.Severity != Severity.Hint).Select(f => f.Sentence).Distinct());
        var template = plan.After;
        int Under(string bus, ChannelKind kind) => template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Bus && c.Name == bus) is { } found ? template.Channels.Count(c => c.Destination == found.Id && c.Kind == kind && !c.Spare) : 0;
        Assert.Equal(brief.Basses, Under("Bass", ChannelKind.Instrument));
        Assert.Equal(brief.Keys + brief.SoundPads + brief.Strings + brief.Organs, Under("Instruments", ChannelKind.Instrument));
        Assert.Equal(brief.AcousticGuitars + brief.ElectricGuitars, Under("Guitars", ChannelKind.Audio));
        Assert.Equal((brief.TakesEach == 0 ? brief.Singers : 0) + brief.Answers, Under("Voices", ChannelKind.Audio));
        Assert.Equal(brief.TakesEach * brief.Singers, template.Channels.Count(c => c.Name.Contains(" take", StringComparison.Ordinal)));
        Assert.Equal(brief.Chorus, Under("Chorus", ChannelKind.Audio));
        Assert.Equal(brief.Returns.Count, template.Channels.Count(c => c.Kind == ChannelKind.Return));
        Assert.Equal(brief.References + (brief.CountIn ? 1 : 0), template.Channels.Count(c => c.Kind == ChannelKind.Direct));
        var rooms = brief.Rooms.Where(r => template.Channels.Any(c => c.Kind == ChannelKind.Bus && c.Name == r.Bus)).ToList();
        Assert.Equal(rooms.Select(r => r.Bus).Order(), Ducker.In(template).Select(d => template.Channels[d.Channel].Name).Order());
    }

    [Fact]
    public void Check_FindsWhatCannotBe()
    {
        Assert.All<Brief>(
            [new() { Singers = 13 }, new() { Basses = -1 }, new() { Pads = 33 }, new() { SplitOver = 65 }, new() { Kit = "nobody" }, new() { Kit = InstrumentCatalogue.Bellbuoy }, new() { Returns = ["cellar"] },
                new() { Rooms = [new("Drums", 6)] }, new() { Rooms = [new("Bass", 0.5)] }, new() { BackQuarters = 0.33 }],
            b => Assert.NotNull(b.Check()));
        Assert.Equal("", new Brief().List());
    }

    private static Brief Any(Random chance)
    {
        int Few(int most) => chance.Next(3) == 0 ? 0 : chance.Next(most + 1);
        return new()
        {
            Kit = chance.Next(3) switch { 0 => InstrumentCatalogue.Tidewater, 1 => InstrumentCatalogue.Breakwater, _ => null },
            Pads = Few(16),
            SplitOver = chance.Next(3) switch { 0 => null, 1 => 0, _ => 1 + chance.Next(10) },
            Basses = Few(3),
            Keys = Few(4),
            SoundPads = Few(4),
            Strings = Few(4),
            Organs = Few(2),
            AcousticGuitars = Few(3),
            ElectricGuitars = Few(4),
            Singers = Few(4),
            TakesEach = Few(4),
            Answers = Few(5),
            Chorus = Few(6),
            Returns = Brief.Spaces.Where(_ => chance.Next(2) == 0).Select(s => s.Id).ToSequence(),
            Rooms = Brief.Buses.Where(_ => chance.Next(3) == 0).Select(b => new BriefRoom(b, 1 + chance.Next(47) / 4.0)).ToSequence(),
            ForTheKick = chance.Next(2) == 0,
            BackQuarters = new[] { 0.25, 0.375, 0.5, 0.75 }[chance.Next(4)],
            Sections = chance.Next(2) == 0 ? "" : "Opening 4, Verse 8, Turn 2 bars",
            Spares = Few(3),
            References = Few(2),
            CountIn = chance.Next(2) == 0,
        };
    }
}
