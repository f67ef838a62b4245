using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Kits;
using HomeStage.Core.LineChecks;
using HomeStage.Core.Media;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Soundcheck;

/// <summary>Each rule both ways: what sets it off, what does not, and that each mend removes it and sets off no other.</summary>
public class RuleTests
{
    private const string Write = "write";

    private static readonly MediaRef Gone = new(new('0', 64), "Rain on a tin roof", 48000, 1, 48000);
    private static readonly MediaRef Here = new(new('1', 64), "Rain on slate", 48000, 1, 48000);
    private static readonly Surroundings Around = new(new Dictionary<string, SoundAbsence>(StringComparer.Ordinal) { [Gone.Content] = SoundAbsence.Missing }) { Studio = StudioFaults.Quay };

    private static Surroundings In(Template template) => Around with { Studio = StudioFaults.Of(template), StruckFrom = StrikeFaults.SongOf(template) };

    /// <summary>A template in order: nothing is found in it.</summary>
    private static readonly Template InOrder = OneBar(
        new Describe("In order", "", [], "Use it as it is."),
        new AddInsert(EmptyStage.Main, Insert("limit", ProcessorCatalogue.Limiter)),
        Bus("drums", "mix-bus"), Return("echo", "mix-bus"), Tone("lead", "mix-bus"), Tone("low", "drums"), Trigger("pulse"),
        new PutSend(new("lead"), new(new("echo"), new(-12))));

    public static TheoryData<string, int> Cases()
    {
        var cases = new TheoryData<string, int>();
        foreach (var (rule, faults) in Faults())
            for (var i = 0; i < faults.Length; i++)
                cases.Add(rule, i);
        return cases;
    }

    [Fact]
    public void Look_AtATemplateInOrder_FindsNothing_InAnyAct()
    {
        Assert.All(InOrder.Acts, act => Assert.Equal([], Report.Of(InOrder, act.Id).Open));
        Assert.True(Report.Of(InOrder, Write, Around).IsProven);
        Assert.Equal([], Report.Of(OutputFaults.Sound(InOrder), Write, Around).Open);
        Assert.All(SendFaults.Sound(InOrder), sound => Assert.Equal([], Report.Of(sound, Write, Around).Open));
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void Look_AtTheFault_FindsItAndNothingElse_AndEachMendRemovesIt(string rule, int fault)
    {
        var template = Faults().Single(f => f.Rule == rule).Faults[fault];

        var finding = Assert.Single(Report.Of(template, Write, In(template)).Open);

        Assert.Equal(rule, finding.Rule);
        Assert.NotEmpty(finding.Sentence);
        foreach (var mend in finding.Mends)
        {
            var mended = template.With([.. mend.Edits]);
            Assert.Equal([], Report.Of(mended, Write, In(mended)).Open);
            Assert.Null(TemplateRules.Check(mended));
        }
    }

    [Fact]
    public void EveryRule_HasAFaultThatSetsItOff_AndAMendUnlessOnlyAPersonCan()
    {
        Assert.Equal(Report.Rules.Select(r => r.Id).Order(), Faults().Select(f => f.Rule).Order());
        foreach (var (rule, faults) in Faults())
            Assert.Equal(rule is "no-prompt-note" or "no-role" or "buffers-too-long" or "latency-unknown", Report.Of(faults[0], Write, In(faults[0])).Open[0].Mends.Count == 0);
    }

    [Fact]
    public void SameSourceTwice_SaysTheDbThatItAdds()
    {
        var finding = Report.Of(InOrder.With(new PutSend(new("low"), new(new("drums"), new(0)))), Write, Around).Open[0];

        // Two equal copies in time: +6.02 dB.
        Assert.Contains("6.0 dB", finding.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void SoundMissing_WithALayerThatIsThere_LetsThatPlayFromTheSoftestStrokeOn()
    {
        var template = WithSample(p => p with { Sample = Gone, Layers = [new(40, Gone), new(64, Here)] });

        var mended = template.With([.. Report.Of(template, Write, In(template)).Open[0].Mends[0].Edits]);

        var piece = ((InstrumentSource)mended.Channels[new ChannelId("kit")].Source!).Kit!.Pieces[0];
        Assert.Equal((Here, 0), (piece.Sample, piece.Layers.Count));
    }

    public static TheoryData<int> InOrderStrips => [.. Enumerable.Range(0, StripFaults.Sound(InOrder).Length)];

    [Theory]
    [MemberData(nameof(InOrderStrips))]
    public void WhatLooksLikeAFaultOfAStrip_AndIsNone_IsNotFound(int which)
    {
        var template = StripFaults.Sound(InOrder)[which];

        Assert.Equal([], Report.Of(template, Write, In(template)).Open);
    }

    [Fact]
    public void HeardTwice_Mend_ChangesOnlyThePiecesThatWereFound()
    {
        var sound = OutputFaults.Sound(InOrder);
        var player = sound.Channels.First(c => c.Source is InstrumentSource { Kit: not null });
        var source = (InstrumentSource)player.Source!;
        var both = source.Kit!.At("Snare", m => m with { AlsoOnFirst = true }).At("Shaker", m => m with { AlsoOnFirst = true });
        var template = sound.With(new SetSource(player.Id, source with { Kit = both }));

        var mended = template.With([.. Report.Of(template, Write, In(template)).Open.Single(f => f.Rule == "heard-twice").Mends[0].Edits]);

        Assert.Equal(["Shaker"], ((InstrumentSource)mended.Channels[player.Id].Source!).Kit!.Lines.Where(l => l.Microphone.AlsoOnFirst).Select(l => l.Name));
    }

    [Fact]
    public void APieceWithoutASplit_ThatIsOnTheFirstOutputAsWell_IsHeardThere_AsTheLineCheckFindsToo()
    {
        var sound = OutputFaults.Sound(InOrder).With(new RemoveChannel(new("snare")));
        var player = sound.Channels.First(c => c.Source is InstrumentSource { Kit: not null });
        var source = (InstrumentSource)player.Source!;
        var template = sound.With(new SetSource(player.Id, source with { Kit = source.Kit!.At("Snare", m => m with { AlsoOnFirst = true }) }));

        var found = Report.Of(template, Write, In(template)).Open.Single(f => f.Rule == "piece-unheard");

        Assert.StartsWith("Rim: no channel takes output 5–6 of", found.Sentence, StringComparison.Ordinal);
        Assert.Equal([("Kick", LineVerdict.Arrived), ("Rim", LineVerdict.Nowhere), ("Shaker", LineVerdict.Arrived), ("Snare", LineVerdict.Arrived)],
            LineSource.AllOf(template, Write).Where(s => s.Channel == player.Id).Select(s => (s.Name, LineCheck.Fire(template, Write, s).Verdict)).Order());
    }

    [Theory]
    // 1 + 1 / g for a copy before a fader at g: 20·log₁₀ of it.
    [InlineData(-6.0206, 0, "9.5 dB")]
    [InlineData(-20, 0, "20.8 dB")]
    [InlineData(-6.0206, -6.0206, "6.0 dB")]
    public void SameSourceTwice_BeforeTheFader_CountsTheSendAgainstTheFader(double fader, double send, string added)
    {
        var template = InOrder.With(new SetLevel(new("low"), new(fader)), new PutSend(new("low"), new(new("drums"), new(send), TapPoint.Pre)));

        Assert.Contains(added, Report.Of(template, Write, In(template)).Open[0].Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void AcceptedFinding_StaysListed_AndDoesNotCount()
    {
        var template = InOrder.With(new SetFormat(new("drums"), ChannelFormat.Mono));
        var finding = Report.Of(template, Write, In(template)).Open[0];

        var accepted = template.With(new AcceptFinding(finding.Key, "Meant to be narrow."));

        Assert.True(Report.Of(accepted, Write, Around).IsProven);
        Assert.Equal(finding.Key, Assert.Single(Report.Of(accepted, Write, Around).Accepted).Key);
        Assert.False(Report.Of(accepted.With(new AcceptFinding(finding.Key, null)), Write, Around).IsProven);
    }

    [Fact]
    public void AcceptFinding_WithoutAReason_IsRefused()
    {
        Assert.Equal("bad-text", InOrder.RefusalOf(new AcceptFinding("mono-destination/drums", " ")).Code);
    }

    [Fact]
    public void AnEmptyStage_IsNotReproachedForALimiterThatItDoesNotNeedYet()
    {
        Assert.DoesNotContain(Report.Of(EmptyStage.Create("Nothing yet"), Write, Around).Open, f => f.Rule == "no-limiter-while-writing");
    }

    [Property(MaxTest = 150)]
    public void Mends_OfAnyTemplate_CanBeAppliedAndRemoveTheirFinding(int seed)
    {
        var template = new RandomTemplates(seed).Grown(60);
        // The acts are edited by chance as well.
        var act = template.Acts[0].Id;
        foreach (var finding in Report.Of(template, act, In(template)).Open)
        {
            foreach (var mend in finding.Mends)
            {
                var mended = template.With([.. mend.Edits]);
                Assert.True(Report.Of(mended, act, In(mended)).Open.All(f => f.Key != finding.Key), $"{mend.Name}: {finding.Key} is still there.");
            }
        }
    }

    /// <summary>What is accepted, and what a mend takes away, is known by its key.</summary>
    [Property(MaxTest = 300)]
    public void Report_OfAnyTemplate_HoldsNoKeyTwice(int seed)
    {
        var template = new RandomTemplates(seed).Grown(60);

        Assert.All(template.Acts, act => Assert.Equal([], Report.Of(template, act.Id, In(template)).Open.CountBy(f => f.Key).Where(k => k.Value > 1).Select(k => k.Key)));
    }

    private static (string Rule, Template[] Faults)[] OfTheTemplate() =>
    [
        .. OutputFaults.Of(InOrder),
        .. StripFaults.Of(InOrder),
        .. SendFaults.Of(InOrder),
        ("reaches-no-output", [InOrder.With(new MoveChannel(new("low"), null, null))]),
        ("same-source-twice",
        [
            InOrder.With(new PutSend(new("low"), new(new("drums"), new(0)))),
            InOrder.With(new PutSend(new("low"), new(new("drums"), new(-6), TapPoint.Pre))),
        ]),
        ("mono-destination", [InOrder.With(new SetFormat(new("drums"), ChannelFormat.Mono))]),
        ("sound-folded", [InOrder.With(Loop(null)), InOrder.With(Loop(new InputSource(1)))]),
        ("around-the-main", [InOrder.With(new AddChannel(new() { Id = new("ref"), Name = "Ref track", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = new InputSource(3, 4) }))]),
        ("default-name", [InOrder.With(new AddChannel(Tone("x", "mix-bus").Channel with { Name = "Instrument 3" }))]),
        ("doubled-name", [InOrder.With(new AddChannel(Tone("x", "mix-bus").Channel with { Name = "tone LOW" }))]),
        ("too-much-on-stage", [Crowded()]),
        ("instrument-nobody-hears", [InOrder.With(
            [new AddChannel(Tone("x", "mix-bus").Channel with { Patterns = [], Stages = Map<StageState>.From(EmptyStage.Acts.Select(a => KeyValuePair.Create(a.Id, StageState.InTheWings))) })])]),
        ("no-limiter-while-writing",
        [
            InOrder.With(new RemoveInsert(EmptyStage.Main, new("limit"))),
            InOrder.With(new ParkInsert(EmptyStage.Main, new("limit"), [Write])),
            InOrder.With(new SwitchInsert(EmptyStage.Main, new("limit"), true)),
        ]),
        ("no-role", [InOrder.With(new AddChannel(new() { Id = new("x"), Name = "Zzyx", Kind = ChannelKind.Audio, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new InputSource(1) }))]),
        ("moves-nothing",
        [
            InOrder.With(new PutShape(new("lead"), new(new InsertTarget(new("gone"), "gain-db"), "song", [new(0, 0), new(1, 1)]))),
            InOrder.With(new PutShape(new("lead"), new(new LevelTarget(), "No such section", [new(0, 0), new(1, 1)]))),
            InOrder.With(new PutLever(new("dive", "Dive", 0, [new(new("gone"), new LevelTarget(), -12, 0)]))),
            InOrder.With(new PutShape(new("lead"), new(new LevelTarget(), "song", [new(0, 0), new(1, 0)]))),
        ]),
        ("plays-nowhere",
        [
            InOrder.With(new PutPattern(new("low"), new("Bridge beat", 1920, [new(0, 100, 40, 90)], ["bridge"]))),
            InOrder.With(
                new AddChannel(new() { Id = new("rain"), Name = "Shaker loop", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = null }),
                new PutStarter(new("rain"), new("Slate", Here, true, new(0), ["bridge", "outro"]))),
        ]),
        ("weight-over-budget", [Heavy()]),
        ("no-prompt-note", [InOrder with { Note = "" }]),
        ("sound-missing",
        [
            InOrder.With(
                new AddChannel(new() { Id = new("rain"), Name = "Shaker loop", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = null }),
                new PutStarter(new("rain"), new("Rain", Gone, true, new(0), [])), new PutStarter(new("rain"), new("Slate", Here, true, new(0), []))),
            WithSample(p => p with { Sample = Gone }),
            WithSample(p => p with { Sample = Here, Layers = [new(64, Gone)] }),
        ]),
    ];

    private static (string Rule, Template[] Faults)[] Faults() => [.. OfTheTemplate(), .. StudioFaults.In(InOrder), .. StrikeFaults.In(InOrder)];

    private static Edit[] Loop(Source? source) =>
    [
        new AddChannel(new() { Id = new("loop"), Name = "Shaker loop", Kind = ChannelKind.Audio, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = source }),
        new PutStarter(new("loop"), new("Slate", Here, true, new(0), [])), new PutStarter(new("loop"), new("Rain", Here with { Lanes = 2 }, true, new(0), [])),
    ];

    private static Template WithSample(Func<Piece, Piece> change)
    {
        var kit = InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit!.Together();
        return InOrder.With(new AddChannel(new()
        {
            Id = new("kit"),
            Name = "Kit of rain",
            Kind = ChannelKind.Instrument,
            Destination = new("drums"),
            Source = new InstrumentSource(InstrumentCatalogue.Breakwater, kit with { Pieces = kit.Pieces.SetItem(0, change(kit.Pieces[0])) }),
        }));
    }

    /// <summary>Limiters of 1.4 % each: 50 of them are 70 % of a core.</summary>
    private static Template Heavy() => InOrder.With(
        [.. Enumerable.Range(0, 2).SelectMany(b => Enumerable.Range(0, 25).Select(i => (Edit)new AddInsert(new(b == 0 ? "lead" : "low"), Insert($"heavy-{i}", ProcessorCatalogue.Saturator))))]);

    private static Template Crowded()
    {
        var kit = InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit!;
        string Name(int k, int output) => $"Split {(char)('A' + k)} of {output}";
        Edit[] kits = [.. Enumerable.Range(0, 4).SelectMany(k => Enumerable.Range(2, 9)
            .Select(o => (Edit)new AddChannel(new() { Id = new($"s{k}-{o}"), Name = Name(k, o), Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new($"kit{k}"), o) }))
            .Prepend(new AddChannel(new()
            {
                Id = new($"kit{k}"),
                Name = $"Kit {(char)('A' + k)}",
                Kind = ChannelKind.Instrument,
                Destination = EmptyStage.MixBus,
                Source = new InstrumentSource(InstrumentCatalogue.Breakwater, kit with { Outputs = kit.Outputs.Select((o, i) => o with { Name = Name(k, i + 1) }).ToSequence() }),
            })))];
        return InOrder.With(kits);
    }
}
