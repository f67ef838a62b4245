using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Inheriting;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Inheriting;

/// <summary>A template that is based on another is offered what changed there; what it has set itself stays its own.</summary>
public class InheritanceTests
{
    private static readonly Parent Seen = new("parent", "Parent", 7);
    private static readonly ChannelId Drums = new("drums"), Bass = new("bass"), Keys = new("keys");

    /// <summary>Three buses and a compressor on one of them.</summary>
    private static Template Was { get; } = EmptyStage.Create("Parent").With(
        [.. new[] { (Drums, "Drums"), (Bass, "Bass"), (Keys, "Keys") }.Select(c => new AddChannel(new() { Id = c.Item1, Name = c.Item2, Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus })),
            new AddInsert(Bass, new(new("comp"), ProcessorCatalogue.Compressor), null)]);

    [Fact]
    public void Offered_ByHand_TellsApartWhatIsOpen_OnesOwn_AndImpossible()
    {
        var parent = Was.With(
            new SetLevel(Drums, new(-3)), new SetLevel(Bass, new(-5)), new SetPan(Keys, 0.25), new RenameChannel(Drums, "Skins"), new SetHue(Keys, 40),
            new SetSettings(Bass, new("comp"), Map<double>.Empty.With("threshold-db", -30)), new AddChannel(new() { Id = new("pads"), Name = "Pads", Kind = ChannelKind.Bus, Destination = EmptyStage.MixBus }));
        // The child turned the bass down itself, took the keys away, and has given the drums the very level already.
        var child = Was.With(new SetLevel(Bass, new(-9)), new RemoveChannel(Keys), new SetLevel(Drums, new(-3)));

        var offered = Inheritance.Offered(Was, parent, child);

        (Type, string, Standing)[] expected = [
            (typeof(AddChannel), "pads", Standing.Open), (typeof(RenameChannel), "drums", Standing.Own), (typeof(SetLevel), "bass", Standing.Own),
            (typeof(SetPan), "keys", Standing.Impossible), (typeof(SetHue), "keys", Standing.Impossible), (typeof(SetParameter), "bass", Standing.Open)];
        Assert.Equal(expected.OrderBy(e => e.Item1.Name).ThenBy(e => e.Item2), offered.Select(o => (o.Edit.GetType(), OfChannel(o.Edit), o.Standing)).OrderBy(o => o.Item1.Name).ThenBy(o => o.Item2));
        // The child's own value is what would be lost.
        Assert.Equal("Bass: level −9.0 dB → −5.0 dB", offered.Single(o => o.Edit is SetLevel { Channel.Value: "bass" }).Words);
        Assert.All(offered, o => Assert.Equal(o.Standing == Standing.Impossible, o.Why is not null));

        var taken = Taken(Was, parent, child, [.. offered.Where(o => o.Standing == Standing.Open).Select(o => o.Number)]);
        Assert.Equal(
            child.With(new AddChannel(parent.Channels[new ChannelId("pads")]), new SetSettings(Bass, new("comp"), Map<double>.Empty.With("threshold-db", -30)), new SetParent(Seen)) with { Channels = taken.Channels }, taken);
        Assert.Equal((-9d, "Drums", -30d), (taken.Channels[Bass].Level.Value, taken.Channels[Drums].Name, taken.Channels[Bass].Inserts[0].Settings["threshold-db"]));
        Assert.True(taken.Channels.Contains(new("pads")));
    }

    private static string OfChannel(Edit edit) => edit switch { ChannelEdit e => e.Channel.Value, AddChannel e => e.Channel.Id.Value, _ => "" };

    [Fact]
    public void RemovedInTheParent_IsOnesOwn_WhereAnythingWasSetOnIt()
    {
        var parent = Was.With(new RemoveChannel(Keys), new RemoveInsert(Bass, new("comp")));

        Assert.All(Inheritance.Offered(Was, parent, Was), o => Assert.Equal(Standing.Open, o.Standing));
        Assert.Equal([Standing.Own, Standing.Own], Inheritance.Offered(Was, parent, Was.With(new SetLevel(Keys, new(-1)), new SetParameter(Bass, new("comp"), "threshold-db", -11))).Select(o => o.Standing));
    }

    [Property(MaxTest = 80)]
    public void AChildThatSetNothing_BecomesItsParent_WhenAllIsTaken(int seed)
    {
        var chance = new RandomTemplates(seed);
        var was = chance.Grown(30);
        var parent = chance.Possible(was, 12).After;

        var offered = Inheritance.Offered(was, parent, was);

        Assert.All(offered, o => Assert.Equal(o.Edit is RenameChannel or SetHue or Describe ? Standing.Own : Standing.Open, o.Standing));
        Assert.Equal(parent with { Parent = Seen, Opening = was.Opening }, Taken(was, parent, was, [.. offered.Select(o => o.Number)]));
        Assert.Empty(Inheritance.Offered(parent, parent, was));
    }

    /// <summary>Whatever a channel of the child has set is there afterwards, when all that is open was taken; and nothing is taken by itself.</summary>
    [Property(MaxTest = 120)]
    public void WhatAChildHasSet_IsNeverTakenFromIt(int seed)
    {
        var chance = new RandomTemplates(seed);
        var was = chance.Grown(30);
        var (parent, child) = (chance.Possible(was, 10).After, chance.Possible(was, 10).After);
        var open = Inheritance.Offered(was, parent, child).Where(o => o.Standing == Standing.Open).Select(o => o.Number).ToList();

        Assert.Equal(child with { Parent = Seen }, Taken(was, parent, child, []));
        var (edits, why) = Inheritance.Taking(was, parent, child, open, Seen);
        // What is open each by itself may close a loop together with what the child has; then nothing is done, and it is said.
        if (why is not null)
        {
            Assert.IsType<Refusal.ClosesLoop>(why);
            return;
        }

        var after = child.With([.. edits]);
        foreach (var mine in child.Channels.Where(c => was.Channels.Contains(c.Id)))
        {
            var before = was.Channels[mine.Id];
            if (!after.Channels.TryGet(mine.Id, out var now))
            {
                Assert.Equal(before, mine);
                continue;
            }

            foreach (var value in Values)
                if (!Equals(value.GetValue(mine), value.GetValue(before)))
                    Assert.Equal((value.Name, value.GetValue(mine)), (value.Name, value.GetValue(now)));
        }
    }

    /// <summary>What a channel holds one of; lists of things are taken thing by thing.</summary>
    private static readonly System.Reflection.PropertyInfo[] Values =
        [.. typeof(Channel).GetProperties().Where(p => p.CanWrite && p.Name is not (nameof(Channel.Source)) && !(p.PropertyType.IsGenericType && p.PropertyType.Name.StartsWith("Sequence", StringComparison.Ordinal)))];

    private static Template Taken(Template was, Template parent, Template child, IReadOnlyCollection<int> chosen)
    {
        var (edits, why) = Inheritance.Taking(was, parent, child, chosen, Seen);
        Assert.Null(why);
        return child.With([.. edits]);
    }
}
