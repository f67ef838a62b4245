using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Compiling;

public class CompiledTemplateTests
{
    private static readonly Template Stage = OneBar(
        Bus("drums", "mix-bus", Insert("limit", "limiter")), Tone("kick", "drums"), Tone("organ", "mix-bus"),
        new PutSend(new("kick"), new(new("drums"), new(-12))));

    [Property(MaxTest = 40)]
    public void AfterEdits_EachPart_IsWhatItIsFromAnew(int seed)
    {
        var random = new RandomTemplates(seed);
        var template = random.Grown(40);
        var compiled = new CompiledTemplate(template);
        for (var turn = 0; turn < 12; turn++)
        {
            foreach (var act in template.Acts.Where((_, i) => turn % 3 != i))
                AssertSame(new CompiledTemplate(template).In(act.Id), compiled.In(act.Id));
            template = random.Possible(template, 1 + turn % 3).After;
            compiled = new(template, compiled);
        }
    }

    [Fact]
    public void AKeyThatIsSwitchedOff_LeadsNowhere_InWhatWasCompiledBefore()
    {
        var keyed = Stage.With(new AddInsert(new("drums"), Insert("comp", "compressor") with { Key = new(true) }), new PutFeed(new("organ"), new(new("drums"), new("comp"), new(0))));
        var compiled = new CompiledTemplate(keyed);
        Assert.Contains(compiled.In(InMix).Graph.Links, l => l.Kind == Core.Routing.LinkKind.Key);

        var off = keyed.With(new SetKey(new("drums"), new("comp"), new(false)));

        Assert.DoesNotContain(new CompiledTemplate(off, compiled).In(InMix).Graph.Links, l => l.Kind == Core.Routing.LinkKind.Key);
    }

    [Fact]
    public void AnInsertThatIsSwitchedOff_HasNoKey_InWhatWasCompiledBefore()
    {
        var keyed = Stage.With(new AddInsert(new("drums"), Insert("comp", "compressor") with { Key = new(true) }), new PutFeed(new("organ"), new(new("drums"), new("comp"), new(0))));
        var compiled = new CompiledTemplate(keyed);
        Assert.Contains(compiled.In(InMix).Graph.Links, l => l.Kind == Core.Routing.LinkKind.Key);

        var off = keyed.With(new SwitchInsert(new("drums"), new("comp"), Off: true));

        Assert.DoesNotContain(new CompiledTemplate(off, compiled).In(InMix).Graph.Links, l => l.Kind == Core.Routing.LinkKind.Key);
    }

    /// <summary>Whatever a channel may hold, now or later: every member of every channel takes each value that another channel has there.</summary>
    [Fact]
    public void AfterAChangeOfOneMember_EachPart_IsWhatItIsFromAnew()
    {
        var template = OneOfEach();
        var compiled = new CompiledTemplate(template);
        AssertSame(new CompiledTemplate(template).In(InMix), compiled.In(InMix));
        var kept = 0;
        foreach (var member in typeof(Channel).GetProperties().Where(p => p.CanWrite && p.Name != nameof(Channel.Id)))
            foreach (var channel in template.Channels)
                foreach (var value in template.Channels.Select(member.GetValue).Where(v => !Equals(v, member.GetValue(channel))).Distinct())
                {
                    var changed = channel with { };
                    member.SetValue(changed, value);
                    var after = template with { Channels = template.Channels.Replace(changed) };
                    var actual = new CompiledTemplate(after, compiled).In(InMix);
                    AssertSame(new CompiledTemplate(after).In(InMix), actual);
                    kept += ReferenceEquals(actual.Graph.Links, compiled.In(InMix).Graph.Links) ? 1 : 0;
                }

        Assert.True(kept > 100, $"Only {kept} changes left the graph alone.");
    }

    /// <summary>A stage on which each thing that joins channels, or that leads notes, stands at least once and works.</summary>
    private static Template OneOfEach() => Stage.With(
        Trigger("pulse"),
        Bus("keys", "mix-bus", Insert("ducked", "compressor", ("threshold-db", -30))),
        new SetKey(new("keys"), new("ducked"), new(true)),
        new PutFeed(new("pulse"), new(new("keys"), new("ducked"), new(0), TapPoint.Pre)),
        Tone("piano", "keys"),
        new AddChannel(new() { Id = new("loop"), Name = "Loop", Kind = ChannelKind.Audio, Destination = new("drums"), Starters = [new("Loop", new(new('a', 64), "Loop", 48000, 2, 96000), false, new(0), [])] }),
        new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = new InputSource(1, Monitored: true), Muted = true }),
        new AddChannel(new() { Id = new("part"), Name = "Part", Kind = ChannelKind.Notes, Plays = [new("piano")], Patterns = [new("Part", Ticks.PerQuarter, [new(0, 120, 64, 90)], [])], NoteProcessors = [new Transpose(3) { On = true }] }),
        new PutGroove(new Groove("Late", Ticks.PerQuarter, [new(0), new(Ticks.PerQuarter / 2, 40)])),
        new SetGroove(new("organ"), "Late"),
        new SetNoteInput(new("kick"), new() { Layers = [new("organ")] }),
        new SetStage(new("voice"), InMix, StageState.InTheWings));

    [Fact]
    public void AfterAnEditThatJoinsNothing_GraphOrderAndPadding_AreTheSameOnes()
    {
        var before = new CompiledTemplate(Stage).In(InMix);
        var padding = before.Compensation;
        foreach (var edit in (Edit[])[new SetLevel(new("kick"), new(-3)), new RenameChannel(new("kick"), "Boot"), new SetMute(new("organ"), true)])
        {
            var after = After(Stage, edit);

            Assert.Same(before.Graph.Links, after.Graph.Links);
            Assert.Same(before.Order, after.Order);
            Assert.Same(padding, after.Compensation);
            Assert.Equal(edit.ApplyTo(Stage) is EditResult.Applied applied ? applied.Template : null, after.Graph.Template);
        }

        CompiledAct After(Template template, Edit edit)
        {
            var compiled = new CompiledTemplate(template);
            _ = compiled.In(InMix).Compensation;
            before = compiled.In(InMix);
            padding = before.Compensation;
            return new CompiledTemplate(template.With(edit), compiled).In(InMix);
        }
    }

    [Fact]
    public void AfterAnEditOfALatency_TheGraphStays_AndThePaddingIsWorkedOutAnew()
    {
        var before = new CompiledTemplate(Stage);
        var padding = before.In(InMix).Compensation;
        var turned = Stage.With(new SetParameter(new("drums"), new("limit"), "look-ahead-ms", 9));

        var after = new CompiledTemplate(turned, before).In(InMix);

        Assert.Same(before.In(InMix).Graph.Links, after.Graph.Links);
        Assert.NotEqual(padding.TotalFrames, after.Compensation.TotalFrames);
    }

    [Fact]
    public void AfterAnEditOfOnePattern_TheNotesOfOthers_AreTheSameOnes()
    {
        var before = new CompiledTemplate(Stage);
        var (kick, organ) = (Heard(before, "kick"), Heard(before, "organ"));
        var played = Stage.With(new PutPattern(new("kick"), new("Held", 4 * Ticks.PerQuarter, [new(0, 240, 61, 90)], [])));

        var after = new CompiledTemplate(played, before);

        Assert.Same(organ, Heard(after, "organ"));
        Assert.NotEqual(kick, Heard(after, "kick"));
    }

    [Fact]
    public void OfManyStates_NoneIsHeldByTheNext_ButTheLastThatWasAskedFor()
    {
        var (first, last) = Chain();
        GC.Collect();

        Assert.False(first.IsAlive);
        Assert.Equal(-20, last.Template.Channels[new ChannelId("kick")].Level.Value);

        static (WeakReference First, CompiledTemplate Last) Chain()
        {
            var compiled = new CompiledTemplate(Stage);
            _ = compiled.In(InMix).Graph;
            var first = new WeakReference(compiled);
            for (var level = -1; level >= -20; level--)
            {
                compiled = new(Stage.With(new SetLevel(new("kick"), new(level))), compiled);
                _ = compiled.In(InMix).Graph;
            }

            return (first, compiled);
        }
    }

    private static IReadOnlyList<PlacedNote> Heard(CompiledTemplate compiled, string channel) =>
        compiled.In(InMix).Notes.Of(compiled.Template.Channels[new ChannelId(channel)]);

    private static void AssertSame(CompiledAct expected, CompiledAct actual)
    {
        Assert.Equal(expected.Graph.Stages, actual.Graph.Stages);
        Assert.Equal(expected.Graph.Links, actual.Graph.Links);
        Assert.Equal(expected.Order, actual.Order);
        Assert.Equal(expected.Compensation.PaddingFrames, actual.Compensation.PaddingFrames);
        Assert.Equal(expected.Compensation.LatenessFrames, actual.Compensation.LatenessFrames);
        Assert.Equal(expected.Compensation.TotalFrames, actual.Compensation.TotalFrames);
        Assert.Equal(expected.Template, actual.Graph.Template);
        Assert.Equal(expected.Act, actual.Act);
        for (var stage = 0; stage < expected.Graph.Stages.Count; stage++)
            Assert.Equal(expected.Entering[stage], actual.Entering[stage]);
        for (var channel = 0; channel < expected.Template.Channels.Count; channel++)
        {
            var (id, level) = (expected.Template.Channels[channel].Id, new LevelTarget());
            Assert.Equal(expected.Movement.At(id, level, -1, 0), actual.Movement.At(id, level, -1, 0));
            Assert.Equal(expected.Graph.Runs(channel), actual.Graph.Runs(channel));
            Assert.Equal(expected.Notes.Of(expected.Template.Channels[channel]), actual.Notes.Of(actual.Template.Channels[channel]));
        }
    }
}
