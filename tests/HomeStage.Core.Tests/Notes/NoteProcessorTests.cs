using FsCheck.Xunit;
using HomeStage.Core.Notes;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Tests.Notes;

public class NoteProcessorTests
{
    private const int Eighth = Ticks.PerQuarter / 2;

    /// <summary>C, E and G held for a bar of 4/4.</summary>
    private static readonly TimedNote[] Chord = [.. new[] { 60, 64, 67 }.Select(n => new TimedNote(0, 4 * Ticks.PerQuarter, n, 100))];

    [Fact]
    public void Transpose_ByAnOctave_MovesEveryNoteByTwelve()
    {
        Assert.Equal([72, 76, 79], new Transpose(12).Apply(Chord).Select(n => n.Number));
    }

    [Fact]
    public void Transpose_BeyondTheLastNote_LeavesItOut()
    {
        Assert.Equal([60 + 48], new Transpose(48).Apply([Chord[0], new(0, 10, 90, 100)]).Select(n => n.Number));
    }

    [Theory]
    [InlineData(ArpeggioOrder.Up, 1, new[] { 60, 64, 67, 60, 64, 67, 60, 64 })]
    [InlineData(ArpeggioOrder.Down, 1, new[] { 67, 64, 60, 67, 64, 60, 67, 64 })]
    [InlineData(ArpeggioOrder.UpAndDown, 1, new[] { 60, 64, 67, 64, 60, 64, 67, 64 })]
    [InlineData(ArpeggioOrder.Up, 2, new[] { 60, 64, 67, 72, 76, 79, 60, 64 })]
    public void Arpeggio_OfAChordInEighths_GoesRoundInItsOrder(ArpeggioOrder order, int octaves, int[] numbers)
    {
        var played = new Arpeggio(order, Eighth, octaves, GatePercent: 50).Apply(Chord);

        Assert.Equal(numbers, played.Select(n => n.Number));
        Assert.Equal(Enumerable.Range(0, 8).Select(i => (long)i * Eighth), played.Select(n => n.StartTick));
        Assert.All(played, n => Assert.Equal(Eighth / 2, n.LengthTicks));
    }

    [Fact]
    public void Arpeggio_AfterAGap_StartsItsRoundAgain()
    {
        TimedNote[] twice = [new(0, Eighth, 60, 90), new(0, Eighth, 64, 90), new(4 * Eighth, Eighth, 60, 90), new(4 * Eighth, Eighth, 64, 90)];

        Assert.Equal([(0L, 60), (4L * Eighth, 60)], new Arpeggio(ArpeggioOrder.Up, Eighth).Apply(twice).Select(n => (n.StartTick, n.Number)));
    }

    [Fact]
    public void StepPattern_WithARest_PlaysTheChordOnTheOtherSteps()
    {
        var played = new StepPattern(Ticks.PerQuarter, [new(100), new(0), new(50, 12)]).Apply(Chord);

        Assert.Equal([0L, 0, 0, 1920, 1920, 1920, 2880, 2880, 2880], played.Select(n => n.StartTick));
        Assert.Equal((72, 50), (played[3].Number, played[3].Velocity));
    }

    [Fact]
    public void ChosenNotes_LetOnlyThemThrough()
    {
        Assert.Equal([60, 67], new ChosenNotes([67, 60]).Apply(Chord).Select(n => n.Number));
    }

    [Property(MaxTest = 200)]
    public void Apply_ToAnyNotes_GivesNotesInOrderAndInRange(int seed)
    {
        var random = new Random(seed);
        var notes = Enumerable.Range(0, random.Next(20))
            .Select(_ => new TimedNote(random.Next(8000), 1 + random.Next(4000), random.Next(128), 1 + random.Next(127)))
            .OrderBy(n => n.StartTick).ToList();
        NoteProcessor[] all = [new Transpose(random.Next(97) - 48), new Arpeggio((ArpeggioOrder)random.Next(4), 60 + random.Next(900), 1 + random.Next(4)), new StepPattern(120, [new(200, 24), new(0), new(1, -24)])];

        foreach (var played in all.Select(p => p.Apply(notes)))
        {
            Assert.Equal(played.OrderBy(n => n.StartTick).Select(n => n.StartTick), played.Select(n => n.StartTick));
            Assert.All(played, n => Assert.True(n.Number is >= 0 and <= 127 && n.Velocity is >= 1 and <= 127 && n.LengthTicks >= 1));
        }
    }
}
