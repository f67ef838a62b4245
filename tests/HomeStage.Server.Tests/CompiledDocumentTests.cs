using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Server.Tests;

public class CompiledDocumentTests
{
    private static readonly MediaRef Loop = new(new('a', 64), "Loop", 48000, 2, 96000);

    private static readonly Template Stage = OneBar(
        new AddChannel(new() { Id = new("loop"), Name = "Loop", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Starters = [new("Loop", Loop, false, new(0), [])] }),
        Tone("organ", "mix-bus"));

    private static readonly Surroundings WithoutTheLoop = new(new Dictionary<string, SoundAbsence> { [Loop.Content] = SoundAbsence.Missing });

    [Fact]
    public void ReportIn_AskedAgain_IsTheSame_UntilSomethingAroundIsGone()
    {
        var compiled = new CompiledDocument(Stage);
        var whole = compiled.ReportIn(InMix, Surroundings.Whole);

        Assert.Same(whole, compiled.ReportIn(InMix, new(new Dictionary<string, SoundAbsence>())));
        Assert.DoesNotContain(whole.Open, f => f.Rule == "sound-missing");
        Assert.Contains(compiled.ReportIn(InMix, WithoutTheLoop).Open, f => f.Rule == "sound-missing");
        Assert.DoesNotContain(compiled.ReportIn(InMix, Surroundings.Whole).Open, f => f.Rule == "sound-missing");
    }

    [Fact]
    public void AfterAnEdit_LevelsAndFindingsAreThoseOfTheNewState()
    {
        var before = new OpenDocument("one", DocumentKind.Template, 0, Stage, [], []);
        var was = before.Compiled.LevelsIn(InMix, null).Levels.Single(l => l.Channel.Value == "organ").ExpectedLufs;

        var after = before.Then(RevisionKind.Edit, null, Stage.With(new SetLevel(new("organ"), new(-6)), new RenameChannel(new("organ"), "Loop")));

        Assert.Equal(was!.Value - 6, after.Compiled.LevelsIn(InMix, null).Levels.Single(l => l.Channel.Value == "organ").ExpectedLufs!.Value, 9);
        Assert.Contains(after.Compiled.ReportIn(InMix, Surroundings.Whole).Open, f => f.Rule == "doubled-name");
        Assert.Same(before.Compiled.In(null).In(InMix).Graph.Links, after.Compiled.In(null).In(InMix).Graph.Links);
    }
}
