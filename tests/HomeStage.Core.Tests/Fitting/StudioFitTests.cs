using FsCheck.Xunit;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Fitting;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Fitting;

public class StudioFitTests
{
    private static readonly Studio Table = new(new AudioInterface("Table", ["Front", "Back"], ["Near left", "Near right"], 256)) { MidiDevices = ["Pad board"] };
    private static readonly Studio Room = new(new AudioInterface("Room", ["W1", "W2", "W3", "W4", "W5", "W6", "Back", "Front"], [.. Enumerable.Range(1, 10).Select(n => $"Out {n}")], 128));

    [Fact]
    public void Of_InputsByName_GoWhereTheNameIs_ThenByNumber_AndBearTheNameFromThenOn()
    {
        var template = OneBar(Voice("a", new(1) { FirstName = "Front" }), Voice("b", new(2) { FirstName = "Back" }), Voice("c", new(3)));

        var after = Fitted(template, Room);

        Assert.Equal(new InputSource(8, Monitored: true) { FirstName = "Front" }, after.Channels[new ChannelId("a")].Source);
        Assert.Equal(new InputSource(7, Monitored: true) { FirstName = "Back" }, after.Channels[new ChannelId("b")].Source);
        Assert.Equal(new InputSource(3, Monitored: true) { FirstName = "W3" }, after.Channels[new ChannelId("c")].Source);
    }

    [Fact]
    public void Of_MoreInputsThanThereAre_TakesWhatIsFree_AndLetsTheRestWait_WithOtherWays()
    {
        var template = OneBar(Voice("a", new(1)), Voice("far", new(7)), Voice("more", new(8)), Voice("pair", new(5, 6), ChannelFormat.Stereo));
        var fit = StudioFit.Of(template, Table);

        Assert.Equal([("1", "1 · Front"), ("7", "2 · Back"), ("8", null), ("5–6", null)], fit.Lines.Where(l => l.Kind == FitKind.Input).Select(l => (l.MadeFor, l.Here)));
        var more = fit.Lines.Single(l => l.Channel.Value == "more");
        Assert.Equal(["waits in the wings", "shares 2 · Back, not monitored", "a performer stands in, as it is"], more.Choices.Select(c => c.Name));
        Assert.Equal("no such pair of inputs here", fit.Lines.Single(l => l.Channel.Value == "pair").Note);
        var after = template.With([.. fit.Proposed]);
        Assert.All(template.Acts, a => Assert.Equal(StageState.InTheWings, after.Channels[new ChannelId("more")].StageIn(a.Id)));
        Assert.Equal(new InputSource(2, Monitored: true) { FirstName = "Back" }, template.With([.. more.Choices[1].Edits]).Channels[new ChannelId("more")].Source as InputSource is { Monitored: false } shared ? shared with { Monitored = true } : null);
    }

    [Fact]
    public void Of_APair_TakesTwoBesideEachOther()
    {
        var after = Fitted(OneBar(Voice("a", new(1)), Voice("pair", new(9, 10), ChannelFormat.Stereo)), Room);

        Assert.Equal(new InputSource(3, 4, Monitored: true) { FirstName = "W3", SecondName = "W4" }, after.Channels[new ChannelId("pair")].Source);
    }

    [Fact]
    public void Of_TwoThatAreHeardByOneInputAtOnce_RecordsInTurn_ButNotWhereNoActHasBoth()
    {
        var both = OneBar(Voice("a", new(1)), Voice("b", new(1)));
        var line = Assert.Single(StudioFit.Of(both, Table).Lines, l => l.Kind == FitKind.SharedInput);

        Assert.Equal("shares it with Voice a: both are heard at once", line.Note);
        Assert.False(((InputSource)Fitted(both, Table).Channels[new ChannelId("b")].Source!).Monitored);
        var apart = both.With([.. both.Acts.Select((a, i) => new SetStage(new(i == 0 ? "a" : "b"), a.Id, StageState.InTheWings))]);
        Assert.DoesNotContain(StudioFit.Of(apart, Table).Lines, l => l.Kind == FitKind.SharedInput);
    }

    [Fact]
    public void Of_Outputs_GoByNameThenNumber_AndBeyondToWhereTheMainGoes()
    {
        var template = OneBar(new AddChannel(new() { Id = new("ref"), Name = "Ref", Kind = ChannelKind.Direct, OutputPair = 4 }), new SetOutputPair(EmptyStage.Main, 1));
        var after = Fitted(template, Table);

        Assert.Equal((1, "Near"), (after.Main.OutputPair!.Value, after.Main.OutputName));
        Assert.Equal((1, "Near"), (after.Channels[new ChannelId("ref")].OutputPair!.Value, after.Channels[new ChannelId("ref")].OutputName));
        var named = template.With(new SetOutputPair(new("ref"), 4, "Small speakers"));
        var studio = Table with { Interface = Table.Interface with { Outputs = ["A", "B", "Small speakers left", "Small speakers right"] } };
        Assert.Equal(2, Fitted(named, studio).Channels[new ChannelId("ref")].OutputPair);
    }

    [Fact]
    public void Of_MidiDevicesThatAreNotHere_ProposesAny()
    {
        var template = OneBar(Tone("a", "mix-bus"), Tone("b", "mix-bus"), new SetNoteInput(new("a"), new() { Device = "Old keys" }), new SetNoteInput(new("b"), new() { Device = "pad board" }));

        var lines = StudioFit.Of(template, Table).Lines.Where(l => l.Kind == FitKind.MidiDevice).ToList();

        Assert.Equal([null, "pad board"], lines.Select(l => l.Here));
        Assert.Null(Fitted(template, Table).Channels[new ChannelId("a")].NoteInput!.Device);
    }

    [Fact]
    public void Of_Devices_StandHere_AreMissing_OrUnknown_WithTheFiguresOfTheStudio()
    {
        var (one, two, three) = (new OutsideDevice("One") { Latency = new(10, 48000) }, new OutsideDevice("Two"), new OutsideDevice("Three"));
        var studio = Table with { Devices = [new(one) { Latency = new(99, 48000), Weight = new(3) }, new(two, IsHere: false)] };
        var template = OneBar(Tone("a", "mix-bus"), Tone("b", "mix-bus"), Tone("c", "mix-bus"),
            new SetDevice(new("a"), null, one), new SetDevice(new("b"), null, two), new SetDevice(new("c"), null, three));

        var fits = DeviceFit.Of(template, studio);

        Assert.Equal([DeviceStanding.Here, DeviceStanding.Missing, DeviceStanding.Unknown], fits.Select(f => f.Standing));
        Assert.Equal((new DeviceLatency(99, 48000), true, 3d), (fits[0].Device.Latency, fits[0].IsMeasured, fits[0].Device.Weight.SharePercent!.Value));
        Assert.Equal(fits[0].Device, ((InstrumentSource)InStudio.Of(template, studio).Channels[new ChannelId("a")].Source!).Device);
        Assert.Same(template, InStudio.Of(template, Table));
    }

    [Theory]
    [InlineData("Near left", "Near right", "Near")]
    [InlineData("Small box L", "Small box R", "Small box")]
    [InlineData("Left", "Right", "Left")]
    [InlineData("", "", null)]
    [InlineData("Out 1", "Out 2", "Out 1")]
    public void PairName_IsWhatBothShare_UnlessAnotherPairDoesToo(string left, string right, string? name)
    {
        Assert.Equal(name, new AudioInterface("Any", [], [left, right, "Out 3", "Out 4"], 64).PairName(1));
    }

    /// <summary>Over any template and interface: what is proposed fits, is proposed once, uses no input for two that were apart, and touches nothing else.</summary>
    [Property(MaxTest = 150)]
    public void Proposed_OnAnyTemplate_IsIdempotent_UsesNoInputTwice_AndChangesNothingElse(int seed)
    {
        var random = new Random(seed);
        var template = new RandomTemplates(seed).Grown(40);
        var studio = new Studio(new AudioInterface("Any", [.. Enumerable.Range(1, random.Next(12)).Select(n => n % 3 == 0 ? "" : $"Wall {n}")], [.. Enumerable.Range(1, 2 * random.Next(1, 4)).Select(n => $"Out {n}")], 64))
        {
            MidiDevices = random.Next(2) == 0 ? [] : ["Pad board"],
        };

        var fit = StudioFit.Of(template, studio);
        var after = template.With([.. fit.Proposed]);

        Assert.Empty(StudioFit.Of(after, studio).Proposed);
        var taken = template.Channels.Select(c => (Was: c, Now: after.Channels[c.Id])).Where(x => x.Was.Source is InputSource && !after.Acts.All(a => x.Now.StageIn(a.Id) == StageState.InTheWings)).ToList();
        var jacks = taken.SelectMany(x => Jacks((InputSource)x.Was.Source!).Zip(Jacks((InputSource)x.Now.Source!))).Distinct().ToList();
        Assert.Equal(jacks.Count, jacks.Select(j => j.Second.Number).Distinct().Count());
        Assert.All(jacks, j => Assert.InRange(j.Second.Number, 1, studio.Interface.Inputs.Count));
        foreach (var (was, now) in template.Channels.Select(c => (c, after.Channels[c.Id])))
            Assert.Equal(Bare(was), Bare(now));
        Assert.Equal(template with { Channels = ChannelList.Empty }, after with { Channels = ChannelList.Empty });
    }

    private static IEnumerable<(int Number, string? Name)> Jacks(InputSource input) =>
        input.Second is { } second ? [(input.First, input.FirstName), (second, input.SecondName)] : [(input.First, input.FirstName)];

    private static Channel Bare(Channel channel) => channel with
    {
        Source = channel.Source is InputSource ? null : channel.Source,
        OutputPair = null,
        OutputName = null,
        Stages = channel.Source is InputSource ? Map<StageState>.Empty : channel.Stages,
        NoteInput = channel.NoteInput is { } input ? input with { Device = null } : null,
    };

    private static Template Fitted(Template template, Studio studio) => template.With([.. StudioFit.Of(template, studio).Proposed]);

    private static AddChannel Voice(string id, InputSource input, ChannelFormat format = ChannelFormat.Mono) => new(new()
    {
        Id = new(id),
        Name = $"Voice {id}",
        Kind = ChannelKind.Audio,
        Format = format,
        Destination = EmptyStage.MixBus,
        Source = input with { Monitored = true },
    });
}
