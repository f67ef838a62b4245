using System.Reflection;
using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Editing;

/// <summary>Which edits have loops looked for after them.</summary>
public class RoutingEditsTests
{
    private static readonly Kit Set = new(
        [Piece.Pad("Kick", 36, "drums/kick", 1, DrumSound.Kick), Piece.Pad("Snare", 38, "drums/snare", 1, DrumSound.Snare)],
        [new("The rest", ChannelFormat.Stereo), new("Kick", ChannelFormat.Stereo)]);

    /// <summary>Loops are looked for after edits that say that they change the routing; so each that joins channels that were there must say it.</summary>
    [Property(MaxTest = 150)]
    public void ChangesRouting_IsSaidByEveryEditThatJoinsChannels(int seed)
    {
        var chance = new RandomTemplates(seed);
        var template = chance.Grown(40);
        var before = Joined(template);
        foreach (var edit in chance.Edits(template, 20))
            if (edit.ApplyTo(template) is EditResult.Applied { Template: var after })
                Assert.True(
                    edit.ChangesRouting || Joined(after).Except(before).All(j => !template.Channels.Contains(j.From) || !template.Channels.Contains(j.To)),
                    $"{edit.GetType().Name} joins {string.Join(", ", Joined(after).Except(before).Where(j => template.Channels.Contains(j.From) && template.Channels.Contains(j.To)))} and does not say so.");
    }

    private static HashSet<(ChannelId From, ChannelId To, LinkKind Kind)> Joined(Template template)
    {
        var graph = new SignalGraph(template);
        ChannelId Of(int stage) => template.Channels[graph.Stages[stage].Channel].Id;
        // What a channel sounds by itself joins it to no other.
        return graph.Links.Where(l => l.Kind != LinkKind.Within).Select(l => (Of(l.From), Of(l.To), l.Kind)).Where(l => l.Item1 != l.Item2).ToHashSet();
    }

    [Fact]
    public void EveryEditThatSaysIt_IsAmongThese() => Assert.Equal(
        typeof(Edit).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(Edit)) && t.GetProperty(nameof(Edit.ChangesRouting), BindingFlags.Public | BindingFlags.Instance | BindingFlags.DeclaredOnly) is not null).Select(t => t.Name).Order(StringComparer.Ordinal),
        ((IEnumerable<TheoryDataRow<Edit>>)Routing).Select(r => r.Data.GetType().Name).Distinct().Order(StringComparer.Ordinal));

    [Theory]
    [MemberData(nameof(Routing))]
    public void ChangesRouting_OfEditsThatJoinChannels_IsTrue(Edit edit) => Assert.True(edit.ChangesRouting);

    public static TheoryData<Edit> Routing =>
    [
        new MoveInsert(new("keys"), new("comp"), 1), new SetOutputs(new("set"), Set, []), new SetDestination(new("organ"), EmptyStage.MixBus), new MoveChannel(new("organ"), EmptyStage.MixBus, null),
        new PutSend(new("organ"), new(new("hall"), new(0))), new PutFeed(new("organ"), new(new("keys"), new("comp"), new(0), TapPoint.Pre)), new SetSource(new("organ"), null),
        new AddSends([new("organ")], new(new("hall"), new(0))), new BusAround([new("organ")], new("all"), "All"), new RestoreChannels([], []),
        new AddChannel(new() { Id = new("new"), Name = "New", Kind = ChannelKind.Bus }), new MakeChannel(new(ChannelKind.Bus)), new DuplicateChannels([new("organ")]), new AddPrintTwin(new("organ")), new RemoveChannel(new("keys")),
        new ReplaceInsert(new("keys"), new("comp"), "gate"), new RemoveInsert(new("keys"), new("comp")), new LayStrip([new("organ")], new()), new LayChain([new("organ")], new()), new TurnChain(new("keys"), "c", "x", 0),
        new SetDevice(new("keys"), new("comp"), null), new PutPiece(new("set"), Set.Pieces[0]), new RemovePieces(new("set"), ["Kick"]), new SendToOutput(new("set"), ["Kick"], 2), new RemoveKitOutput(new("set"), 2),
        new PutFarMicrophone(new("set"), FarMicrophone.Stereo("Attic", "drums", 1, FarPlace.Hall)),
    ];
}
