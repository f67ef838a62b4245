using HomeStage.Core.Kits;

namespace HomeStage.Core.Tests.Kits;

public class KitDraftsTests
{
    private static Kit Of(params Piece[] pieces) => new([.. pieces], [new("Output 1", ChannelFormat.Mono)]);

    [Fact]
    public void NewPiece_TakesTheNextFreeNameAndNote_GoingRoundFromTheUsualLowest()
    {
        var kit = Of([.. Enumerable.Range(36, 92).Select(n => Piece.Pad($"Note {n}", n, "", 1, DrumSound.Clap)), Piece.Pad("piece 1", 0, "", 1, DrumSound.Clap)]);

        var made = KitDrafts.NewPiece(kit);

        Assert.Equal(("Piece 2", 1), (made.Name, made.Note));
        Assert.Equal(36, KitDrafts.NewPiece(Of(Piece.Pad("Low", 35, "", 1, DrumSound.Clap), Piece.Pad("High", 37, "", 1, DrumSound.Clap))).Note);
        Assert.Null(KitRules.Check(kit with { Pieces = [.. kit.Pieces, made] }));
    }

    [Fact]
    public void NewFarAndOutput_AreNamedFreely_AndAsWideAsTheKit()
    {
        var kit = Of(Piece.Pad("Room 1", 36, "", 1, DrumSound.Clap));
        var pairs = kit with { Outputs = [.. kit.Outputs, new("Wide", ChannelFormat.Stereo)] };

        Assert.Equal("Room 2", KitDrafts.NewFar(kit).Microphone.Name);
        Assert.Equal(("Output 2", ChannelFormat.Mono), (KitDrafts.NewOutput(kit).Name, KitDrafts.NewOutput(kit).Format));
        Assert.Equal(ChannelFormat.Stereo, KitDrafts.NewOutput(pairs).Format);
    }

    [Fact]
    public void WithAnotherMicrophone_NamesBoth_AndEveryOneAfterThemDifferently_AndTheyGoAgain()
    {
        var piece = Piece.Pad("Drum", 36, "", 1, DrumSound.Clap, pan: 0.25);

        var many = Enumerable.Range(0, 7).Aggregate(piece, (p, _) => KitDrafts.WithAnotherMicrophone(p));

        Assert.Equal(["close", "beside"], many.Microphones.Take(2).Select(m => m.Name));
        Assert.Equal(8, many.Microphones.Select(m => m.Name).Distinct().Count());
        Assert.All(many.Microphones, m => Assert.Equal(0.25, m.Pan));
        Assert.Null(KitRules.Check(Of(many)));
        Assert.Equal(piece, many.Microphones.Skip(1).Aggregate(many, (p, m) => KitDrafts.WithoutMicrophone(p, m.Name)));
    }
}
