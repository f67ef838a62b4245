using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Summaries;
using HomeStage.TestKit;

namespace HomeStage.Server.Tests;

/// <summary>What the screen is told.</summary>
public class ViewsTests
{
    [Property(MaxTest = 300)]
    public void ChangeView_PutOverTheOldRows_GivesTheNewOnes(int seed, bool single)
    {
        var chance = new RandomTemplates(seed);
        var before = chance.Grown(40);
        var after = chance.Possible(before, single ? 1 : 4).After;
        var (old, now) = (DocumentView.Of(Open(before)), DocumentView.Of(Open(after)));

        var change = ChangeView.Between(Open(before), Open(after), new());

        var rows = old.Channels.ToDictionary(r => r.Channel.Id.Value);
        foreach (var row in change.Changed)
            rows[row.Channel.Id.Value] = row;
        var order = change.Order ?? [.. old.Channels.Select(r => r.Channel.Id.Value)];
        Assert.Equal(now.Channels.Select(Essence), order.Select(id => Essence(rows[id])));
    }

    [Fact]
    public void ChangeView_OfOneLevel_IsOneRow()
    {
        var before = Stages.OneBar([.. Enumerable.Range(0, 60).Select(i => Stages.Bus($"b{i}", "mix-bus"))]);
        var after = before.With(new SetLevel(EmptyStage.MixBus, new(-1.5)));

        var change = ChangeView.Between(Open(before), Open(after), new());

        Assert.Equal(EmptyStage.MixBus, Assert.Single(change.Changed).Channel.Id);
        Assert.Null(change.Order);
    }

    [Fact]
    public void ComesFrom_SaysInAFewWordsWhereTheSoundIsFrom()
    {
        var kit = InstrumentCatalogue.Find(InstrumentCatalogue.Tidewater)!.Kit;
        var template = Stages.OneBar(
            Stages.Return("r", "mix-bus"),
            new AddChannel(new() { Id = new("kit"), Name = "Tide", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Tidewater, kit) }),
            new AddChannel(new() { Id = new("split"), Name = "Clap", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), 5) }),
            new AddChannel(new() { Id = new("voice"), Name = "Voice", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus, Source = new InputSource(3, 4) }),
            new PutSend(new("voice"), new(new("r"), new(-6))));

        var words = DocumentView.Of(Open(template)).Channels.ToDictionary(r => r.Channel.Id.Value, r => r.ComesFrom);

        Assert.Equal("to outputs 1–2", words["main"]);
        Assert.Equal("14 pieces, 8 outputs", words["kit"]);
        Assert.Equal("9–10 · Tide", words["split"]);
        Assert.Equal("inputs 3, 4, not monitored", words["voice"]);
        Assert.Equal("1 send", words["r"]);
        Assert.Equal("4 channels", words["mix-bus"]);
    }

    [Fact]
    public void KeyedByAndSteers_AreTheTwoEndsOfAFeed()
    {
        var comp = Stages.Insert("comp", ProcessorCatalogue.Compressor) with { Key = new(true) };
        var template = Stages.OneBar(Stages.Trigger("pulse"), Stages.Bus("bass", "mix-bus", comp), new PutFeed(new("pulse"), new(new("bass"), comp.Id, new(0))));

        var rows = DocumentView.Of(Open(template)).Channels.ToDictionary(r => r.Channel.Id.Value);

        Assert.Equal(["Trigger pulse"], rows["bass"].KeyedBy);
        Assert.Equal(["Bus bass"], rows["pulse"].Steers);
    }

    [Fact]
    public void Families_AreTheBusesUnderTheLastSums_WithAllThatFeedsThem()
    {
        var template = Stages.OneBar(
            Stages.Bus("drums", "mix-bus"), Stages.Bus("toms", "drums"), Stages.Tone("low", "toms"), Stages.Tone("kick", "drums"),
            Stages.Bus("empty", "mix-bus"), Stages.Return("r", "mix-bus"), new SetHue(new("drums"), 38));

        var families = FamilyCounts.Of(template);
        Assert.Equal([("Bus drums", 2), ("Returns", 1)], families.Select(f => (f.Name, f.Count)));
        Assert.NotNull(families[0].Colour);
        Assert.Null(families[1].Colour);
    }

    [Theory]
    [InlineData(92, 6, 8, "dotted quarter", 61.333)]
    [InlineData(120, 4, 4, "quarter", 120)]
    [InlineData(120, 2, 2, "half", 60)]
    [InlineData(60, 9, 16, "dotted eighth", 80)]
    public void Timeline_SaysWhichNoteTheFeltBeatIs(double tempo, int beats, int unit, string note, double perMinute)
    {
        var view = TimelineView.Of(new(tempo, new(beats, unit), [new("song", "Song", 1)]));

        Assert.Equal(note, view.FeltBeat);
        Assert.Equal(perMinute, view.FeltBeatsPerMinute, 0.001);
    }

    private static OpenDocument Open(Template template) => new("x", DocumentKind.Template, 0, template, [], []);

    private static string Essence(ChannelView row) =>
        $"{row.Channel.Id} {row.Channel.GetHashCode()} {row.Depth} {row.HueDegrees} {row.Colour} {row.Role} {row.Feeders} {row.ComesFrom} {string.Join('/', row.KeyedBy)} {string.Join('/', row.Steers)}";
}
