using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;

namespace HomeStage.Bench;

/// <summary>Every plan of a kit of 64 pieces, for one to 64 outputs at once.</summary>
internal static class PlansBench
{
    private const int Runs = 31;
    private const int Pieces = 64;

    public static void Run()
    {
        var random = new Random(7);
        PlanPiece[] kit = [.. Enumerable.Range(0, Pieces).Select(i => new PlanPiece(
            $"Piece {i}", $"drums/family {random.Next(9)}/part {random.Next(3)}", random.Next(4) == 0 ? ChannelFormat.Stereo : ChannelFormat.Mono, random.Next(1, 6)))];
        foreach (var use in new[] { JackUse.Pairs, JackUse.Halves })
        {
            var seconds = Medians.Seconds(Runs, () => OutputPlanner.Plans(kit, Pieces, use));
            Medians.Say($"{Pieces} pieces, all plans up to {Pieces} outputs, {use.ToString().ToLowerInvariant()}: {1000 * seconds:0.0} ms");
        }
    }
}
