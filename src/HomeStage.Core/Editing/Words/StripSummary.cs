using System.Globalization;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Words;

/// <summary>What is on a channel's strip, in a few words: "2 inserts, 1 send, −3.0 dB".</summary>
public static class StripSummary
{
    /// <returns>What a strip apart from any channel says: "equaliser, compressor, gain kept for automation; every return, closed".</returns>
    public static string Of(Strip strip) => strip.SaysNothing ? "nothing" : string.Join("; ", Parts(strip));

    /// <returns>Each thing that it says, in the order of the signal.</returns>
    public static IReadOnlyList<string> Parts(Strip strip) =>
    [
        .. strip.Input is { } input ? [$"input {(input.Monitored ? "monitored" : "not monitored")}, {(input.Armed ? "armed" : "not armed")}"] : Array.Empty<string>(),
        .. strip.NoteInput is { } notes ? [Played(notes)] : Array.Empty<string>(),
        .. strip.Inserts is { } inserts ? [inserts.Count == 0 ? "no inserts" : string.Join(", ", Standing(inserts, strip.Chains))] : Array.Empty<string>(),
        .. strip.Sends is { Count: > 0 } sends ? [$"sends to {string.Join(", ", sends.GroupBy(s => (s.Level, s.Tap, s.Open)).Select(Sent))}"] : Array.Empty<string>(),
        .. strip.Stages is { } stages && stages.Values.Any(s => s != StageState.OnStage) ? [Staged(stages)] : Array.Empty<string>(),
    ];

    /// <param name="channels">At least one; alike in all but the numbers of their inputs.</param>
    /// <returns>The same of channels, with the inputs or the instrument that they take.</returns>
    public static IReadOnlyList<string> Parts(Strip strip, IReadOnlyList<Channel> channels) =>
        [.. channels[0].Source switch { InputSource input => [Inputs(input, channels)], InstrumentSource played => [$"plays {played.Title()}"], _ => Array.Empty<string>() }, .. Parts(strip with { Input = null, Inserts = strip.Inserts is { Count: > 0 } ? strip.Inserts : null })];

    private static string Inputs(InputSource first, IReadOnlyList<Channel> channels)
    {
        List<int> numbers = [.. channels.Select(c => c.Source).OfType<InputSource>().SelectMany(i => i.Second is { } second ? [i.First, second] : new[] { i.First })];
        var isRow = numbers.Count > 2 && numbers.Zip(numbers.Skip(1)).All(x => x.Second == x.First + 1);
        List<string> spoken = [.. numbers.Select(n => n.ToString(CultureInfo.InvariantCulture))];
        return $"{(spoken.Count == 1 ? "input" : "inputs")} {(isRow ? $"{spoken[0]}–{spoken[^1]}" : string.Join(" and ", spoken))}, {(first.Monitored ? "monitored" : "not monitored")}, {(first.Armed ? "armed" : "not armed")}";
    }

    private static IEnumerable<string> Standing(Sequence<Insert> inserts, Sequence<Chain> chains)
    {
        foreach (var insert in inserts)
            if (chains.FirstOrDefault(c => c.Inserts.Contains(insert.Id)) is not { } chain)
                yield return Standing(insert);
            else if (insert == inserts.First(i => chain.Inserts.Contains(i.Id)))
                yield return $"{chain.Name} ({string.Join(", ", inserts.Where(i => chain.Inserts.Contains(i.Id)).Select(Standing))})";
    }

    private static string Standing(Insert insert)
    {
        var name = insert.Device?.Name ?? Wording.Processor(insert.Processor);
        return insert switch
        {
            { Off: true } => $"{name}, off",
            { KeptForAutomation: true } => $"{name} kept for automation",
            { WaitsFor.What: WaitReason.SongKey } => $"{name} that waits for the key",
            { WaitsFor: not null } => $"{name} that waits",
            _ => name,
        };
    }

    /// <returns>"Hall, Slap, each at −12.0 dB, closed".</returns>
    private static string Sent(IGrouping<(Decibels Level, TapPoint Tap, bool Open), StripSend> alike)
    {
        List<string> names = [.. alike.Select(s => s.To.Length == 0 ? "every return" : s.To)];
        return $"{string.Join(", ", names)}{(names.Count > 1 ? ", each" : "")} at {alike.Key.Level}{(alike.Key.Tap == TapPoint.Pre ? ", before the fader" : "")}{(alike.Key.Open ? "" : ", closed")}";
    }

    private static string Played(NoteInput input)
    {
        var parts = new List<string> { input.Device is { } device ? $"notes from {device}" : "notes from any device" };
        if (input.MidiChannel is { } channel)
            parts.Add(string.Create(CultureInfo.InvariantCulture, $"channel {channel}"));
        if (input.KeptOut.Count > 0)
            parts.Add($"{Wording.Count(input.KeptOut.Count, "kind")} of message kept out");
        parts.Add(input.Arming == Arming.WithSelection ? "armed with the selection" : "armed by hand");
        return string.Join(", ", parts);
    }

    private static string Staged(Map<StageState> stages) =>
        string.Join(", ", stages.Where(s => s.Value != StageState.OnStage).GroupBy(s => s.Value).Select(g =>
            $"{(g.Key == StageState.InTheWings ? "in the wings" : "behind the curtain")} in {(g.Count() > 1 && g.Count() == stages.Count ? "every act" : string.Join(", ", g.Select(s => s.Key)))}"));

    /// <returns>"nothing but its name" for a strip that does nothing.</returns>
    public static string Of(Channel channel)
    {
        var parts = new[] { (channel.Inserts.Count, "insert"), (channel.Sends.Count, "send"), (channel.Feeds.Count, "sidechain feed"), (channel.Shapes.Count, "curve") }
            .Where(p => p.Item1 > 0).Select(p => Wording.Count(p.Item1, p.Item2)).ToList();
        if (channel.Level != default)
            parts.Add(channel.Level.ToString());
        if (channel.Muted)
            parts.Add("muted");
        if (channel.PolarityFlipped)
            parts.Add("polarity flipped");
        return parts.Count == 0 ? "nothing but its name" : string.Join(", ", parts);
    }
}
