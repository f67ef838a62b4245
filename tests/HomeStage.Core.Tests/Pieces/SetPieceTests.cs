using FsCheck.Xunit;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Pieces;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Pieces;

/// <summary>Parts of templates by chance: taken, put in elsewhere, taken out again.</summary>
public class SetPieceTests
{
    private const int Edits = 10;

    [Property(MaxTest = 60)]
    public void PutIn_TenEdits_TakenOut_ComesToThoseTenEditsAlone(int seed)
    {
        var random = new Random(seed);
        var edits = new RandomTemplates(seed);
        var plain = edits.Grown(45);
        var item = new ShelfItem("piece", "Piece", 1, new SetPieceContent(Cut(Grown(random.Next(), 60), random)));
        var taken = ShelfTake.Of(plain, item);
        Assert.True(taken is ShelfTakeResult.Taken, (taken as ShelfTakeResult.Refused)?.Why.Sentence);
        var take = ((ShelfTakeResult.Taken)taken).Take;
        var with = plain.With([.. take.Edits]);
        Assert.Equal(plain.Channels.Count + take.Edits.OfType<PutShelfCopy>().Single().Copy.Became.Count(b => !b.Key.Contains('/')), with.Channels.Count);
        for (var done = 0; done < Edits;)
        {
            // A place that is counted from the top is another one where there are more channels.
            var edit = edits.Next(plain) is var next && next is AddChannel add ? add with { Place = null } : next;
            if (IsAboutNames(edit) || Batch.Apply(plain, [edit]) is not BatchResult.Applied without || Batch.Apply(with, [edit]) is not BatchResult.Applied within)
                continue;
            (plain, with) = (without.Template, within.Template);
            done++;
        }

        var (gone, why) = TakeOut.Of(with, with.Copies.Single(c => c.Kind == ShelfKind.SetPiece));

        Assert.Null(why);
        Assert.Equal([], Difference.Between(plain, with.With([.. gone])));
        Assert.Equal(plain, with.With([.. gone]));
    }

    [Property(MaxTest = 60)]
    public void APiece_PutWhereItWasTakenFrom_StandsThereAsItStood(int seed)
    {
        var template = Grown(seed, 60);
        var piece = Cut(template, new Random(seed));
        var own = piece.Own.Select(c => c.Id).ToHashSet();
        var without = template.With([.. own.Reverse().Select(id => new RemoveChannel(id)).Where(e => template.Channels.Contains(e.Channel)).SelectMany(Once)]);

        var (put, why) = PutIn.Of(without, piece, piece.Outside.ToDictionary(o => o.Value, string? (o) => o.Value));

        Assert.Null(why);
        var after = without.With([.. put!.Edits]);
        Assert.All(put.Joints, j => Assert.True(j.To == j.Outside || j.Missing is not null, $"{j.Name} is joined with {j.To}"));
        var whole = put.Joints.All(j => j.To == j.Outside);
        Assert.All(piece.Own, was =>
        {
            var now = after.Channels[was.Id];
            Assert.Equal(was.Level.Value, now.Level.Value, 0.1001);
            // By chance another channel bears its name; then it is numbered.
            var name = without.Channels.Any(c => c.Name.Equals(was.Name, StringComparison.OrdinalIgnoreCase)) || piece.Own.Count(o => o.Name.Equals(was.Name, StringComparison.OrdinalIgnoreCase)) > 1 ? now.Name : was.Name;
            Assert.Equal(whole ? template.Channels[was.Id] with { HueDegrees = was.HueDegrees, Shapes = was.Shapes, Name = name } : now, now with { Level = was.Level });
        });

        // Splits go with their instrument.
        IEnumerable<Edit> Once(RemoveChannel edit) => template.Channels[edit.Channel].Source is OutputSource split && own.Contains(split.Instrument) ? [] : [edit];
    }

    [Property(MaxTest = 60)]
    public void APiece_IsAStageThatKeepsEveryRule_AndHoldsWhatBelongsTogether(int seed)
    {
        var template = Grown(seed, 80);
        var piece = Cut(template, new Random(seed));
        var own = piece.Own.Select(c => c.Id).ToHashSet();

        Assert.Null(piece.Check());
        Assert.All(template.Channels.Where(c => c.Destination is { } under && own.Contains(under)), c => Assert.Contains(c.Id, own));
        Assert.All(template.Channels.Where(c => c.Source is OutputSource), c => Assert.Equal(own.Contains(c.Id), own.Contains(((OutputSource)c.Source!).Instrument)));
        Assert.All(template.Channels.Where(c => own.Contains(c.Id)), c => Assert.Equal(c.Inserts, piece.Stage.Channels[c.Id].Inserts));
    }

    /// <returns>With something in it beside the main.</returns>
    private static Template Grown(int seed, int edits)
    {
        var grown = new RandomTemplates(seed).Grown(edits);
        return grown.Channels.Count > 1 ? grown : grown.With(Stages.Bus("lone", grown.Main.Id.Value));
    }

    private static SetPiece Cut(Template template, Random random)
    {
        var able = template.Channels.Where(c => c.Kind != ChannelKind.Main).ToList();
        var (piece, _) = PieceCut.Of(template, [.. Enumerable.Range(0, 1 + random.Next(2)).Select(_ => able[random.Next(able.Count)].Id).Distinct()])!.Value;
        return piece;
    }

    /// <summary>What counts numbers up looks at every name that is there.</summary>
    private static bool IsAboutNames(Edit edit) => edit is DuplicateChannels or MakeChannel or BusAround or NameChannels;
}
