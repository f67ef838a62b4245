using HomeStage.Core.Catalogue;
using HomeStage.Core.Media;
using HomeStage.Core.Sound.Instruments;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Templates;
using HomeStage.TestKit;

namespace HomeStage.Core.Tests.Sound;

/// <summary>What every instrument keeps to, as every processor does: at rest, in any block, at the ends of its parameters.</summary>
public class InstrumentContractTests
{
    private const int Rate = 48000;
    private const int Frames = 24000;

    public static TheoryData<string, string> Cases()
    {
        var cases = new TheoryData<string, string>();
        foreach (var kind in InstrumentCatalogue.All.Where(k => k.Id != InstrumentCatalogue.Flotsam))
            foreach (var ends in kind.Parameters.Count > 0 ? new[] { "default", "lowest", "highest" } : ["default"])
                cases.Add(kind.Id, ends);
        return cases;
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void WithoutNotes_ItIsSilent(string id, string ends)
    {
        Assert.All(Played(id, ends, [], Frames), s => Assert.Equal(0, s));
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void AnyBlockSize_GivesTheSameSamples_AndSoDoesOneThatIsMadeAnew(string id, string ends)
    {
        var whole = Played(id, ends, Phrase(id), Frames);

        Assert.Contains(whole, s => s != 0);
        foreach (var size in Runs.AreLong ? new[] { 37, 256, 1000, Frames } : [37, 1000])
            Assert.Equal(whole, Played(id, ends, Phrase(id), size));
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void AtEveryRate_ItStaysFinite_AndInBounds(string id, string ends)
    {
        foreach (var rate in new[] { 44100, 88200, 96000 })
            // Four notes of full strength, each of at most twice full scale before any fader.
            Assert.All(Played(id, ends, Phrase(id), Frames, rate), s => Assert.True(float.IsFinite(s) && Math.Abs(s) < 8));
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void AfterItsNotes_ItDies_AndLeavesNoNumbersThatSlowTheMachineDown(string id, string ends)
    {
        var player = Create(id, ends, Phrase(id), Rate);
        for (var second = 0; second < 60; second++)
            Assert.False(Next(player, id).Exists(float.IsSubnormal), $"Second {second + 1} has numbers below the smallest normal one.");

        Assert.All(Next(player, id), s => Assert.Equal(0, s));
    }

    private static IReadOnlyList<NoteEvent> Phrase(string id)
    {
        var kind = InstrumentCatalogue.Find(id)!;
        int[] numbers = kind.Kit is { } kit ? [.. kit.Pieces.Take(4).Select(p => p.Note)] : [36, 60, 67, 96];
        // One on the first frame, one on an odd one, two at once.
        int[] starts = [0, 1237, 9000, 9000];
        return [.. numbers.Select((number, i) => new NoteEvent(starts[i], starts[i] + 4000, number, 127, i))];
    }

    private static Player Create(string id, string ends, IReadOnlyList<NoteEvent> notes, int rate)
    {
        var kind = InstrumentCatalogue.Find(id)!;
        var settings = ends == "default"
            ? Map<double>.Empty
            : Map<double>.From(kind.Parameters.Select(p => KeyValuePair.Create(p.Id, ends == "lowest" ? p.Min : p.Max)));
        return new PlayerFactory(PanLaw.ConstantPower, rate, EmptyShelf.Instance).Create(new InstrumentSource(id, kind.Kit) { Settings = settings }, notes);
    }

    private static float[] Played(string id, string ends, IReadOnlyList<NoteEvent> notes, int size, int rate = Rate)
    {
        var player = Create(id, ends, notes, rate);
        var blocks = Blocks(id);
        var samples = new List<float>[2 * blocks.Length];
        for (var i = 0; i < samples.Length; i++)
            samples[i] = [];
        for (var done = 0; done < Frames; done += size)
        {
            var frames = Math.Min(size, Frames - done);
            player.Render(blocks, frames);
            for (var b = 0; b < blocks.Length; b++)
                for (var lane = 0; lane < blocks[b].Lanes; lane++)
                    samples[2 * b + lane].AddRange(blocks[b].Lane(lane, frames));
        }

        return [.. samples.SelectMany(s => s)];
    }

    /// <summary>One second more, all outputs and lanes in a row.</summary>
    private static List<float> Next(Player player, string id)
    {
        var samples = new List<float>();
        var blocks = Blocks(id);
        for (var done = 0; done < Rate; done += Frames)
        {
            player.Render(blocks, Frames);
            foreach (var block in blocks)
                for (var lane = 0; lane < block.Lanes; lane++)
                    samples.AddRange(block.Lane(lane, Frames));
        }

        return samples;
    }

    private static SignalBlock[] Blocks(string id) =>
        InstrumentCatalogue.Find(id)!.Kit is { } kit
            ? [.. kit.Outputs.Select(o => new SignalBlock(o.Format == ChannelFormat.Mono ? 1 : 2, Frames))]
            : [new(2, Frames)];
}
