using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Outputs;

/// <summary>A plan applied: what must hold of the template after it, whatever the kit.</summary>
public sealed class SplitBatchTests
{
    private static readonly ChannelId Player = KitOnStage.Player;

    [Property(MaxTest = 150, Arbitrary = [typeof(RandomKits)])]
    public void Of_AnyPlan_GivesEveryGroupOneMonitoredSplitNamedOnBothEnds(KitOnStage stage)
    {
        var plan = Plan(stage.Template, stage.Choices[0]);

        var after = Applied(stage.Template, plan);

        var kit = stage.KitNow(after);
        foreach (var group in plan.Groups)
        {
            var output = kit.Lines[group.Pieces[0]].Output;
            Assert.All(group.Pieces, i => Assert.Equal(output, kit.Lines[i].Output));
            if (output == 1)
            {
                // It sounds on the instrument's own channel.
                Assert.False(kit.FirstReserved);
                continue;
            }

            var split = Assert.Single(Splits(after), s => ((OutputSource)s.Source!).Output == output);
            Assert.Equal((kit.Outputs[output - 1].Name, kit.Outputs[output - 1].Format, true), (split.Name, split.Format, ((OutputSource)split.Source!).Monitored));
            Assert.Equal(kit.Outputs[output - 1].Format, group.Format);
            Assert.Contains(after.Channels[Player].Destination!.Value, Downstream(after, split));
        }

        Assert.Equal(plan.Groups.Count(g => kit.Lines[g.Pieces[0]].Output != 1), Splits(after).Count());
        Assert.NotEqual(EmptyStage.MixBus, after.Channels[Player].Destination);
        Assert.Equal(stage.Template.Channels[new ChannelId("voice")], after.Channels[new ChannelId("voice")]);
        Assert.Null(TemplateRules.Check(after));
        Assert.Empty(SplitBatch.Of(after, Player, plan));
    }

    /// <summary>However coarse it gets in between: every strip is on stage or put aside.</summary>
    [Property(MaxTest = 150, Arbitrary = [typeof(RandomKits)])]
    public void Of_CoarserAndFinerAgain_LosesNoStrip(KitOnStage stage)
    {
        var first = Plan(stage.Template, stage.Choices[0]);
        var begun = Dressed(Applied(stage.Template, first));
        var template = begun;
        foreach (var choice in stage.Choices.Skip(1))
        {
            template = Applied(template, Plan(template, choice));
            Assert.Equal(Strips(Splits(begun)), Strips(Splits(template).Concat(template.Aside.Where(a => !a.Stays).Select(a => a.Split)).Where(s => s.Note.Length > 0)));
        }
    }

    [Property(MaxTest = 150, Arbitrary = [typeof(RandomKits)])]
    public void Of_AnotherPlanAndBack_GivesEachStripBackToItsPieces(KitOnStage stage)
    {
        // Some splits are worked on and some are not: these are made anew, and none of them takes the strip of another.
        var begun = Dressed(Applied(stage.Template, Plan(stage.Template, stage.Choices[0])), s => (stage.Choices[2] >> (s.Name.Length % 5) & 1) == 0);
        var other = Applied(begun, Plan(begun, stage.Choices[1]));

        var back = Applied(other, Plan(other, stage.Choices[0]));

        Assert.Equal(ByLines(begun), ByLines(back));
        Assert.Empty(back.Aside);
    }

    private static List<(string, Sequence<Insert>, Sequence<Send>, Decibels)> Strips(IEnumerable<Channel> splits) =>
        [.. splits.Select(s => (s.Note, s.Inserts, s.Sends, s.Level)).OrderBy(s => s.Note, StringComparer.Ordinal)];

    private static Dictionary<string, string> ByLines(Template template)
    {
        var kit = ((InstrumentSource)template.Channels[Player].Source!).Kit!;
        return Splits(template).ToDictionary(s => string.Join('+', kit.Lines.Where(l => l.Output == ((OutputSource)s.Source!).Output).Select(l => l.Name)), s => $"{s.Name}: {s.Note} {s.Level} {s.Pan} {s.Format}");
    }

    [Property(MaxTest = 100, Arbitrary = [typeof(RandomKits)])]
    public void Of_AnyPlan_IsTakenBackExactly(KitOnStage stage)
    {
        var batch = (BatchResult.Applied)Batch.Apply(stage.Template, [.. SplitBatch.Of(stage.Template, Player, Plan(stage.Template, stage.Choices[0]))]);

        Assert.Equal(stage.Template, ((BatchResult.Applied)Batch.Apply(batch.Template, [.. batch.Inverse])).Template);
    }

    [Fact]
    public void Of_SixteenPads_IsEighteenChannelsWithTheirBusAndTheNotes()
    {
        // Common practice.
        var kit = new Kit([.. Enumerable.Range(1, 16).Select(i => Piece.Pad($"Pad {i}", 35 + i, "pads", 1, DrumSound.Clap))], [.. Enumerable.Range(1, 17).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        var template = Staged(kit);

        var after = Applied(template, Plans(template, byHalves: false)[^1]);

        Assert.Equal(18, after.Channels.Count - EmptyStage.Create("x").Channels.Count);
        var bus = after.Channels[after.Channels[Player].Destination!.Value];
        Assert.Equal("Pads", bus.Name);
        // Splits have no colour of their own: they take the family's from the bus, which has one.
        Assert.NotNull(bus.HueDegrees);
        Assert.All(Splits(after), s => Assert.Null(s.HueDegrees));
    }

    /// <summary>Neither the main nor the bus of all is a drum bus: one is made around the kit and the splits that stood beside it, and no others.</summary>
    [Theory]
    [InlineData("main")]
    [InlineData("mix-bus")]
    public void Of_AKitUnderWhatIsNoDrumBus_IsGivenOne_WithTheSplitsBesideIt(string under)
    {
        var kit = new Kit([.. new[] { "Kick", "Snare", "Clap" }.Select((n, i) => Piece.Pad(n, 36 + i, $"drums/{n}", i + 1, DrumSound.Clap))], [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        Channel Split(string id, int output, string to) => new() { Id = new(id), Name = id, Kind = ChannelKind.Split, Destination = new(to), Source = new OutputSource(Player, output), Note = "Mine" };
        var template = Staged(kit).With(
            new SetDestination(Player, new(under)), new AddChannel(new() { Id = new("aside"), Name = "Elsewhere", Kind = ChannelKind.Bus, Destination = EmptyStage.Main }),
            new AddChannel(Split("beside", 2, under)), new AddChannel(Split("away", 3, "aside")));

        var after = Applied(template, Plans(template, byHalves: false)[^1]);

        var bus = after.Channels[after.Channels[Player].Destination!.Value];
        Assert.Equal(("Drums", under), (bus.Name, bus.Destination!.Value.Value));
        Assert.Equal(bus.Id, after.Channels[new ChannelId("beside")].Destination);
        Assert.Equal("aside", after.Channels[new ChannelId("away")].Destination!.Value.Value);
    }

    /// <summary>A split whose channel a person has called otherwise than the output keeps that name, whatever comes to leave by it; a width that is not its output's becomes that.</summary>
    [Fact]
    public void Of_APlan_KeepsANameThatAPersonGave_AndGivesASplitTheWidthOfItsOutput()
    {
        var kit = new Kit(
            [Piece.Pad("Kick", 36, "drums/kick", 2, DrumSound.Kick), Piece.Pad("Tom high", 48, "drums/toms", 3, DrumSound.HighTom), Piece.Pad("Tom low", 45, "drums/toms", 4, DrumSound.LowTom)],
            [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        Channel Split(string name, int output, ChannelFormat format) => new() { Id = new($"split-{output}"), Name = name, Kind = ChannelKind.Split, Format = format, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, output) };
        var template = Staged(kit).With(
            new AddChannel(Split("My thunder", 2, ChannelFormat.Stereo)), new AddChannel(Split("Output 3", 3, ChannelFormat.Mono)), new AddChannel(Split("Output 4", 4, ChannelFormat.Stereo)));

        var coarse = Applied(template, Plans(template, byHalves: false)[0]);
        Assert.Equal(["My thunder"], Splits(coarse).Select(s => s.Name));

        var same = Applied(template, Plans(template, byHalves: false)[^1]);
        Assert.All(Splits(same), s => Assert.Equal(ChannelFormat.Stereo, s.Format));
        // Where names and jacks are as they should be, the width alone is put right.
        var mono = same.With(new SetFormat(new("split-3"), ChannelFormat.Mono));
        Assert.Equal(same.Channels, Applied(mono, Plans(mono, byHalves: false)[^1]).Channels);
    }

    [Fact]
    public void Of_AFamilyWithSeveralSplits_HasASum_WhichGoesWhenOneIsLeft()
    {
        var kit = new Kit(
            [Piece.Pad("Kick", 36, "drums/kick", 1, DrumSound.Kick), Piece.Pad("Tom high", 48, "drums/toms", 1, DrumSound.HighTom), Piece.Pad("Tom low", 45, "drums/toms", 1, DrumSound.LowTom)],
            [.. Enumerable.Range(1, 4).Select(n => new KitOutput($"Output {n}", ChannelFormat.Stereo))]);
        var template = Staged(kit);

        var fine = Applied(template, Plans(template, byHalves: false)[2]);
        var toms = Assert.Single(fine.Channels, c => c.Name == "Toms");
        Assert.Equal((ChannelKind.Bus, fine.Channels[Player].Destination), (toms.Kind, toms.Destination));
        Assert.Equal(["Tom high", "Tom low"], fine.Channels.Where(c => c.Destination == toms.Id).Select(c => c.Name));

        var coarse = Applied(fine, Plans(fine, byHalves: false)[1]);
        Assert.Equal((ChannelKind.Split, coarse.Channels[Player].Destination), (coarse.Channels.Single(c => c.Name == "Toms").Kind, coarse.Channels.Single(c => c.Name == "Toms").Destination));
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void CoarseAndFine_SoundAlike(bool byHalves)
    {
        var notes = StandInKits.Tidewater.Pieces.Select((p, i) => new Note(240 * i, 200, p.Note, 100)).ToSequence();
        var together = StandInKits.Tidewater.Together();
        var coarse = Staged(together, new Pattern("All", 16 * 240, notes, [])) with { Timeline = new(120, new(4, 4), [new("song", "Song", 2)]) };
        var fine = Applied(coarse, Plans(coarse, byHalves)[^1]);

        var (one, other) = (Renderer.Render(coarse, new("mix")), Renderer.Render(fine, new("mix")));

        Assert.True(Splits(fine).Count() > 6);
        // Sums in another order: rounding of single precision alone.
        Assert.All(Enumerable.Range(0, one.Left.Length), i => Assert.Equal(one.Left[i], other.Left[i], 2e-6f));
        Assert.All(Enumerable.Range(0, one.Right.Length), i => Assert.Equal(one.Right[i], other.Right[i], 2e-6f));
        Assert.True(one.PeakDbfs > -30);
    }

    private static Template Staged(Kit kit, params Pattern[] patterns) => ((BatchResult.Applied)Batch.Apply(EmptyStage.Create("Kit"),
        [new AddChannel(new() { Id = Player, Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, kit), Patterns = patterns.ToSequence() })])).Template;

    private static IEnumerable<Channel> Splits(Template template) => template.Channels.Where(c => c.Kind == ChannelKind.Split);

    private static IReadOnlyList<OutputPlan> Plans(Template template, bool byHalves)
    {
        var kit = ((InstrumentSource)template.Channels[Player].Source!).Kit!;
        var used = kit with { Jacks = kit.Use == JackUse.Singles ? null : byHalves ? JackUse.Halves : JackUse.Pairs };
        return ((PlanResult.Planned)KitJacks.Of(used).Plans(used)).Plans;
    }

    private static OutputPlan Plan(Template template, int choice)
    {
        var plans = Plans(template, int.IsEvenInteger(choice));
        return plans[choice / 2 % plans.Count];
    }

    private static Template Applied(Template template, OutputPlan plan) =>
        ((BatchResult.Applied)Batch.Apply(template, [.. SplitBatch.Of(template, Player, plan)])).Template;

    private static Template Dressed(Template template, Func<Channel, bool>? which = null) => Splits(template).Where(s => which?.Invoke(s) ?? true).Aggregate(template, (t, s) => t with
    {
        Channels = t.Channels.Replace(s with
        {
            Inserts = [new(new($"eq-{s.Id}"), "equaliser")],
            Level = new(-s.Name.Length),
            Note = $"{s.Name} {s.Id}",
        })
    });

    private static IEnumerable<ChannelId> Downstream(Template template, Channel channel)
    {
        for (var next = channel.Destination; next is { } id; next = template.Channels[id].Destination)
            yield return id;
    }
}
