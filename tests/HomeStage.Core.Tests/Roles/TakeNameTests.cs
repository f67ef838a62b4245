using HomeStage.Core.Roles;

namespace HomeStage.Core.Tests.Roles;

/// <summary>Names as they are met in finished songs. How takes are marked is common practice.</summary>
public class TakeNameTests
{
    [Theory]
    [InlineData("Fiddle close tk3 keep", "Fiddle close", TakeMarks.Take | TakeMarks.Chosen, 3)]
    [InlineData("Fiddle close_tk3_01", "Fiddle close", TakeMarks.Take | TakeMarks.Worked, 3)]
    [InlineData("LeadVox-TAKE12-COMP", "LeadVox", TakeMarks.Take | TakeMarks.Chosen, 12)]
    [InlineData("take 2 - Dulcimer far", "Dulcimer far", TakeMarks.Take, 2)]
    [InlineData("Harmonium (take 7)", "Harmonium", TakeMarks.Take, 7)]
    [InlineData("Harmonium tk 7 high", "Harmonium high", TakeMarks.Take, 7)]
    [InlineData("Bass print", "Bass", TakeMarks.Print, null)]
    [InlineData("Bass (Bounced)_03", "Bass", TakeMarks.Print | TakeMarks.Worked, null)]
    [InlineData("Mellow keys bounced-01", "Mellow keys", TakeMarks.Print | TakeMarks.Worked, null)]
    [InlineData("Gtr L edit", "Gtr L", TakeMarks.Worked, null)]
    [InlineData("Snare copy 2", "Snare", TakeMarks.Copy, null)]
    [InlineData("Snare.dup", "Snare", TakeMarks.Copy, null)]
    [InlineData("Choir 2 OLD", "Choir 2", TakeMarks.Dropped, null)]
    [InlineData("Bodhran 2024-03-09", "Bodhran", TakeMarks.Worked, null)]
    [InlineData("Bodhran punch3 best", "Bodhran", TakeMarks.Take | TakeMarks.Chosen, 3)]
    public void WhatIsSaidOfOneRecording_IsTakenOff(string name, string stem, TakeMarks marks, int? number)
    {
        Assert.Equal(new TakeName(stem, marks, number), TakeName.Read(name));
        Assert.Equal(stem, TakeName.Read(stem).Stem);
    }

    [Theory]
    [InlineData("Choir 2")]
    [InlineData("Choir_01")]
    [InlineData("Bass-2")]
    [InlineData("Room 3 - 01")]
    [InlineData("Tom 02")]
    [InlineData("Old piano")]
    [InlineData("Best man's speech")]
    [InlineData("Take")]
    [InlineData("Keep")]
    [InlineData("Tk 3")]
    [InlineData("Narrator take")]
    [InlineData("Double take")]
    [InlineData("Copy of a copycat")]
    [InlineData("808")]
    [InlineData("2024-03-09")]
    [InlineData("")]
    [InlineData("—")]
    public void WhatIsNoRecordings_Stays(string name) => Assert.Equal(new TakeName(name, TakeMarks.None, null), TakeName.Read(name));

    [Fact]
    public void AnyName_IsReadTwiceAlike_AndNeverEmptied()
    {
        var random = new Random(20261129);
        string[] words = ["tk3", "Take", "keep", "Fiddle", "_01", "-", "copy", "2", "print", "(", ")", "comp", "é", "\u00a0", "99999999999", ".", "OLD"];
        for (var i = 0; i < 3000; i++)
        {
            var name = string.Join(random.Next(2) == 0 ? " " : "", Enumerable.Range(0, random.Next(1, 7)).Select(_ => words[random.Next(words.Length)]));
            var read = TakeName.Read(name);

            Assert.True(read.Marks == TakeMarks.None ? read.Stem == name : read.Stem.Any(char.IsLetter) && read.Stem.Length <= name.Length, name);
        }
    }
}
