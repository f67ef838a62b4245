using HomeStage.Core.Editing;

namespace HomeStage.Core.Outputs;

/// <summary>Outputs that are left out between others.</summary>
/// <remarks>Half a pair that no mono piece was left for is no gap.</remarks>
internal static class OutputGaps
{
    /// <returns>Numbers of outputs below the last one in use that no piece and no split takes.</returns>
    public static IReadOnlyList<int> Of(SplitKit kit)
    {
        var pairs = kit.Kit.Outputs[0].Format == ChannelFormat.Stereo;
        bool IsUsed(int number) => kit.HasSplit(number) || kit.LinesAt(number).Any();
        var last = Enumerable.Range(1, kit.Kit.Outputs.Count).LastOrDefault(IsUsed);
        return [.. Enumerable.Range(2, Math.Max(0, last - 2)).Where(n => !IsUsed(n) && !(pairs && kit.Kit.Outputs[n - 1].Format == ChannelFormat.Mono))];
    }

    /// <returns>The edit that puts the gaps behind what is in use; null where there are none.</returns>
    public static Edit? Closing(SplitKit kit)
    {
        var gaps = Of(kit);
        if (gaps.Count == 0)
            return null;
        int Now(int number) => number - gaps.Count(g => g < number);
        var closed = kit.Kit.Rewired(l => l.Microphone with { Output = Now(l.Output) }) with
        {
            Outputs = kit.Kit.Outputs.Where((_, i) => !gaps.Contains(i + 1)).Concat(gaps.Select(g => kit.Kit.Outputs[g - 1])).ToSequence(),
        };
        var moved = kit.Splits.Where(s => Now(SplitKit.NumberOf(s)) != SplitKit.NumberOf(s));
        return new SetOutputs(kit.Player.Id, closed, moved.Select(s => new TakenOutput(s.Id, Now(SplitKit.NumberOf(s)), s.Name, s.Format, s.Pan)).ToSequence());
    }
}
