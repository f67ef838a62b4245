using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Inheriting;
using HomeStage.Core.Pieces;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Shelf;

/// <summary>Set pieces that were changed on the shelf after they had been put into a template.</summary>
public class PieceRenewalTests
{
    private static readonly Template Choir = OneBar(
        Bus("choir", "mix-bus"), Return("crypt", "mix-bus", Insert("verb", ProcessorCatalogue.Reverb)), Tone("alto", "choir"), Tone("tenor", "choir"),
        new PutSend(new("alto"), new(new("crypt"), new(-12))));

    private static ShelfItem Item(Template from, int revision) => new("piece", "Choir", revision, new SetPieceContent(PieceCut.Of(from, [new("choir")])!.Value.Piece));

    private static ShelfRenewal Renewal(Template template, ShelfItem was, ShelfItem now) => Assert.Single(ShelfRenewal.Of(template, now, r => r == was.Revision ? was.Content : null));

    private static Template Put(Template template, ShelfItem item) => template.With([.. Assert.IsType<ShelfTakeResult.Taken>(ShelfTake.Of(template, item)).Take.Edits]);

    [Fact]
    public void WhatChanged_IsOffered_WithWhatTheTemplateHasSetItselfApart()
    {
        var was = Item(Choir, 1);
        // The id was taken there, so that the piece's tenor is another; that the first one goes changes nothing.
        var here = Put(OneBar(Tone("tenor", "mix-bus")), was).With(new SetPan(new("alto"), -0.5), new RemoveChannel(new("tenor")));
        var now = Item(
            Choir.With(
                new SetPan(new("alto"), 0.25), new SetPan(new("tenor"), 0.75), new RenameChannel(new("tenor"), "Low tenor"),
                new AddInsert(new("choir"), Insert("eq", ProcessorCatalogue.Equaliser)), Tone("bass", "choir")),
            2);

        var renewal = Renewal(here, was, now);

        Assert.Null(renewal.Why);
        Assert.Equal(
            [("add-channel", Standing.Open), ("add-insert", Standing.Open), ("pan alto", Standing.Own), ("pan tenor-2", Standing.Open), ("rename tenor-2", Standing.Own)],
            renewal.Changes.Select(c => (Said(c.Edit), c.Standing)).Order());
        var after = here.With([.. renewal.Edits]);
        Assert.Equal((-0.5, 0.75), (after.Channels[new ChannelId("alto")].Pan, after.Channels[new ChannelId("tenor-2")].Pan));
        Assert.Equal("choir", after.Channels[new ChannelId("bass")].Destination!.Value.Value);
        // It is of the newer one from now on, and taking the piece out takes the new channel along.
        Assert.False(Renewal(after, was, now).IsBehind);
        var without = after.With([.. TakeOut.Of(after, after.Copies.Single()).Edits]);
        Assert.Equal(["main", "mix-bus"], without.Channels.Select(c => c.Id.Value).Order());
    }

    [Fact]
    public void WhereTheOlderPieceIsNotKept_OrItsPartIsGone_ItIsSaid()
    {
        var was = Item(Choir, 1);
        var here = Put(OneBar(), was);
        var now = Item(Choir.With(new SetPan(new("alto"), 0.25), new SetPan(new("tenor"), 0.5)), 2);

        var unknown = Assert.Single(ShelfRenewal.Of(here, now, _ => null));
        var gone = Renewal(here.With(new RemoveChannel(new("alto"))), was, now);

        Assert.Equal("Choir is not kept as it was when it was put in: take it out, and put it in anew.", unknown.Why!.Sentence);
        Assert.Equal([Standing.Impossible, Standing.Open], gone.Changes.Select(c => c.Standing).Order().Reverse());
    }

    [Property(MaxTest = 60)]
    public void AllThatChanged_Taken_ComesToTheNewerPieceAsItIsPutIn(int seed)
    {
        var random = new Random(seed);
        var plain = new RandomTemplates(random.Next()).Grown(30);
        var growing = new RandomTemplates(random.Next());
        var source = growing.Grown(40);
        if (source.Channels.Count == 1)
            source = source.With(Bus("lone", source.Main.Id.Value));
        var able = source.Channels.Where(c => c.Kind != ChannelKind.Main).ToList();
        var top = able[random.Next(able.Count)].Id;
        var was = new ShelfItem("piece", "Piece", 1, new SetPieceContent(PieceCut.Of(source, [top])!.Value.Piece));
        for (var done = 0; done < 12; done++)
            source = Batch.Apply(source, [growing.Next(source)]) is BatchResult.Applied { Template: var next } && next.Channels.Contains(top) ? next : source;
        var now = new ShelfItem("piece", "Piece", 2, new SetPieceContent(PieceCut.Of(source, [top])!.Value.Piece));
        var here = Put(plain, was);

        var renewal = Renewal(here, was, now);

        Assert.Null(renewal.Why);
        var taken = here.With([.. renewal.Changes.Select(c => c.Edit), renewal.Edits[^1]]);
        var fresh = Put(plain, now);
        Assert.Equal(fresh.Channels.Select(c => c.Id.Value).Order(), taken.Channels.Select(c => c.Id.Value).Order());
        // Only what is put in is turned so as to arrive as loud as it left.
        Assert.All(fresh.Channels, c => Assert.Equal(c with { Level = new(0) }, taken.Channels[c.Id] with { Level = new(0) }));
    }

    private static string Said(Edit edit) => edit switch
    {
        SetPan pan => $"pan {pan.Channel}",
        RenameChannel rename => $"rename {rename.Channel}",
        AddChannel or RestoreChannels => "add-channel",
        AddInsert => "add-insert",
        _ => edit.ToString(),
    };
}
