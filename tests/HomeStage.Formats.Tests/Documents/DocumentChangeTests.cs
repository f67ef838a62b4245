using System.Text.Json.Nodes;
using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Formats.Documents;
using HomeStage.Formats.Documents.Changes;
using HomeStage.TestKit;

namespace HomeStage.Formats.Tests.Documents;

/// <summary>What an entry of the log says is enough to go either way, from a template or from its stored text.</summary>
public class DocumentChangeTests
{
    [Property(MaxTest = 300)]
    public void Replay_OfABatch_LeadsThere_AndBack(int seed, byte size)
    {
        var chance = new RandomTemplates(seed);
        var before = chance.Grown(40);
        var after = chance.Possible(before, 1 + size % 12).After;

        Assert.Equal(after, Replayed(new(before), DocumentChange.Between(before, after)));
        Assert.Equal(before, Replayed(new(after), DocumentChange.Between(after, before)));
        Assert.Equal(after, Replayed(new(TemplateDocument.WriteCompact(before)), DocumentChange.Between(before, after)));
    }

    [Property(MaxTest = 60)]
    public void Replay_BetweenTwoTemplatesThatShareNothingButKinds_LeadsThere(int one, int other)
    {
        var (before, after) = (new RandomTemplates(one).Grown(40), new RandomTemplates(other).Grown(40));

        Assert.Equal(after, Replayed(new(before), DocumentChange.Between(before, after)));
    }

    [Property(MaxTest = 30)]
    public void Replay_OfManyInARow_GivesEveryStateOnTheWay(int seed)
    {
        var chance = new RandomTemplates(seed);
        var now = chance.Grown(20);
        var stored = new DocumentReplay(TemplateDocument.WriteCompact(now));
        for (var i = 0; i < 30; i++)
        {
            var next = chance.Possible(now, 2).After;
            stored.Apply(DocumentChange.Between(now, next));
            now = next;
            if (i % 7 == 0)
                Assert.Equal(now, stored.Template());
        }

        Assert.Equal(now, stored.Template());
    }

    [Fact]
    public void Between_OfOneFader_NamesThatFaderAlone()
    {
        var before = Crowded();
        var after = before.With(new SetLevel(EmptyStage.MixBus, new(-7.25)));

        var change = JsonNode.Parse(DocumentChange.Between(before, after))!.AsObject();

        Assert.Equal(["schema", "channels"], change.Select(m => m.Key));
        Assert.Equal("""{"mix-bus":{"members":{"level":{"is":-7.25}}}}""", change["channels"]!.ToJsonString());
    }

    [Fact]
    public void Between_OfAMove_NamesTheOneThatMoved_NotThoseThatMadeRoom()
    {
        var template = Crowded();
        var list = template.Channels.ToList();
        var moved = list[3];
        list.RemoveAt(3);
        list.Insert(20, moved);
        var after = template with { Channels = ChannelList.From(list) };

        var change = JsonNode.Parse(DocumentChange.Between(template, after))!.AsObject();

        Assert.Equal(["schema", "placed"], change.Select(m => m.Key));
        Assert.Equal($$"""[{"at":20,"id":"{{moved.Id.Value}}"}]""", change["placed"]!.ToJsonString());
    }

    [Fact]
    public void Between_OfOneNoteInAPattern_SaysOneStretch()
    {
        var before = JsonNode.Parse("""{"notes":[1,2,3,4,5],"name":"Tide"}""");
        var after = JsonNode.Parse("""{"notes":[1,2,9,9,4,5],"name":"Tide"}""");

        Assert.Equal("""{"members":{"notes":{"at":2,"out":1,"in":[9,9]}}}""", ValueChange.Between(before, after)!.ToJsonString());
    }

    [Fact]
    public void Replay_OfAnUnchangedChannel_SharesIt()
    {
        var before = Crowded();
        var after = before.With(new SetLevel(EmptyStage.MixBus, new(-7.25)));

        var replayed = Replayed(new(before), DocumentChange.Between(before, after));

        Assert.All(before.Channels.Where(c => c.Id != EmptyStage.MixBus), c => Assert.Same(c, replayed.Channels[c.Id]));
    }

    [Theory]
    [InlineData("[]")]
    [InlineData("{}")]
    [InlineData("""{"schema":99}""")]
    [InlineData("""{"schema":SCHEMA,"gone":["nobody"]}""")]
    [InlineData("""{"schema":SCHEMA,"placed":[{"at":0,"id":"nobody"}]}""")]
    [InlineData("""{"schema":SCHEMA,"placed":[{"at":999,"id":"mix-bus"}]}""")]
    [InlineData("""{"schema":SCHEMA,"channels":{"nobody":{"is":null}}}""")]
    [InlineData("""{"schema":SCHEMA,"channels":{"mix-bus":{"is":null}}}""")]
    [InlineData("""{"schema":SCHEMA,"channels":{"mix-bus":{"members":{"sends":{"at":4,"out":4,"in":[]}}}}}""")]
    [InlineData("""{"schema":SCHEMA,"channels":{"mix-bus":{"members":{"sends":{"items":{"4":{"is":1}}}}}}}""")]
    [InlineData("""{"schema":SCHEMA,"channels":{"mix-bus":{"members":{},"without":["colour-of-the-sea"]}}}""")]
    [InlineData("""{"schema":SCHEMA,"about":{"is":[]}}""")]
    [InlineData("""{"schema":SCHEMA,"channels":{"mix-bus":{"members":{"level":{"is":"loud"}}}}}""")]
    [InlineData("{\"schema\":")]
    public void Replay_OfWhatWasNotDoneHere_SaysSo(string change)
    {
        var replay = new DocumentReplay(EmptyStage.Create("Tide tables"));

        Assert.Throws<InvalidDataException>(() => Replayed(replay, change.Replace("SCHEMA", $"{TemplateDocument.SchemaVersion}", StringComparison.Ordinal)));
    }

    private static Template Crowded() => EmptyStage.Create("Tide tables").With(
        [.. Enumerable.Range(0, 30).Select(_ => (Edit)new MakeChannel(new(ChannelKind.Audio)))]);

    private static Template Replayed(DocumentReplay replay, string change)
    {
        replay.Apply(change);
        return replay.Template();
    }
}
