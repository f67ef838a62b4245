using FsCheck.Xunit;
using HomeStage.Core.Kits;
using HomeStage.Core.Machines;

namespace HomeStage.Core.Tests.Machines;

/// <summary>Lists as people type them (common practice, no source).</summary>
public class PieceListTests
{
    [Fact]
    public void Read_AStudioKit_HasItsMicrophones_ItsCountedToms_AndWhatHearsAllOfIt()
    {
        var read = PieceList.Read("Kick in/out/sub, Snare top/bottom; Tom 1–3 in/out\nHat, Ride, Crash L/R, OH, Room near, Room mono far mono");

        Assert.Equal(
            ["Kick [in, out, sub]", "Snare [top, bottom]", "Tom 1 [in, out]", "Tom 2 [in, out]", "Tom 3 [in, out]", "Hat []", "Ride []", "Crash []"],
            read.Pieces.Select(p => $"{p.Name} {p.Microphones}"));
        Assert.Equal(
            ["drums/kick", "drums/snare", "drums/toms", "drums/toms", "drums/toms", "drums/hats", "drums/cymbals", "drums/cymbals"], read.Pieces.Select(p => p.Family));
        Assert.Equal([ChannelFormat.Mono, ChannelFormat.Stereo], read.Pieces.Where(p => p.Name is "Ride" or "Crash").Select(p => p.Format));
        Assert.Equal(
            [new("OH", "drums/overheads", FarPlace.Overhead, ChannelFormat.Stereo), new("Room near", "drums/rooms", FarPlace.Hall, ChannelFormat.Stereo), new PieceList.ListedFar("Room far", "drums/rooms", FarPlace.Hall, ChannelFormat.Mono)],
            read.Far);
        Assert.Empty(read.NotUnderstood);
    }

    [Theory]
    [InlineData("Tom 1-3", "Tom 1|Tom 2|Tom 3")]
    [InlineData("Tom 1 - 3", "Tom 1|Tom 2|Tom 3")]
    [InlineData("Tom 7–7", "Tom 7")]
    [InlineData("Pad x4", "Pad 1|Pad 2|Pad 3|Pad 4")]
    [InlineData("Pad ×2", "Pad 1|Pad 2")]
    [InlineData("Clap, Clap, clap", "Clap|Clap 2|clap 3")]
    [InlineData("Noise (stereo)", "Noise")]
    [InlineData("808", "808")]
    public void Read_CountsUp_AndGivesNoNameTwice(string text, string names)
    {
        var read = PieceList.Read(text);

        Assert.Equal(names.Split('|'), read.Pieces.Select(p => p.Name));
        Assert.Empty(read.NotUnderstood);
    }

    [Theory]
    [InlineData("Kick = 35", 35)]
    [InlineData("Zap=0", 0)]
    [InlineData("Zap", null)]
    public void Read_TakesTheNoteThatIsSaid(string text, int? note) => Assert.Equal(note, Assert.Single(PieceList.Read(text).Pieces).Note);

    [Fact]
    public void Read_ANoteOfARange_Ascends() => Assert.Equal([60, 61, 62], PieceList.Read("Pad 1–3 = 60").Pieces.Select(p => p.Note));

    [Theory]
    [InlineData("Kick = 128")]
    [InlineData("Kick = high")]
    [InlineData("Tom 3–1")]
    [InlineData("in/out")]
    [InlineData("Snare top/top")]
    [InlineData("Snare a/b/c/d/e/f/g/h/i")]
    [InlineData("…")]
    [InlineData("A name of far more than eighty letters which nobody would ever write on the pad of a drum machine")]
    public void Read_WhatIsNoPiece_IsSaidAndLeftAlone(string text)
    {
        var read = PieceList.Read($"Kick, {text}");

        Assert.Equal(["Kick"], read.Pieces.Select(p => p.Name));
        Assert.Equal([text], read.NotUnderstood);
    }

    [Property(MaxTest = 300)]
    public void Read_AnyText_IsReadOrSaid_AndNeverThrows(string? text)
    {
        var read = PieceList.Read(text ?? "");

        Assert.Equal(read.Pieces.Count, read.Pieces.Select(p => p.Name).Distinct(StringComparer.OrdinalIgnoreCase).Count());
        Assert.All(read.Pieces, p => Assert.Null(TextRules.Name("", p.Name)));
    }

    [Fact]
    public void Read_DamagedLists_NeverThrows()
    {
        const string whole = "Kick in/out, Snare top/bottom, Tom 1–3 = 41, Pad x4, Crash L/R, OH, Room (mono)";
        var chance = new Random(12);
        for (var i = 0; i < 10_000; i++)
        {
            var text = whole.ToCharArray();
            for (var hit = chance.Next(1, 8); hit > 0; hit--)
                text[chance.Next(text.Length)] = (char)chance.Next(32, 0x2100);
            Assert.NotNull(PieceList.Read(new(text)));
        }
    }
}
