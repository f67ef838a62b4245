using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;
using HomeStage.Formats.DawProject;

namespace HomeStage.Formats.CallSheets;

/// <summary>What a channel's strip says on a call sheet: enough to set it up from the page alone.</summary>
public static class SheetStrip
{
    /// <returns>"Compressor", with how it stands where it does not simply work: "Compressor (off)".</returns>
    public static string Name(Template template, Insert insert) => $"{insert.Title()}{Standing(template, insert)}";

    /// <returns>"Compressor: threshold −18 dB, ratio 3:1, …"; null for one that is as flat as it comes.</returns>
    public static string? Settings(Insert insert) => InsertNumbers.OfWhatActs(insert) is { Length: > 0 } said ? $"{insert.Title()}{said}" : null;

    /// <returns>"Hall −12.0 dB, before the fader"; those that are set alike in one.</returns>
    public static IReadOnlyList<string> Sends(Template template, Channel channel) =>
    [
        .. channel.Sends.GroupBy(s => (s.Level, s.Tap, s.Open)).Select(same =>
            $"{string.Join(", ", same.Select(s => template.Channels[s.To].Name))}{(same.Count() > 1 ? ": each" : "")} {same.Key.Level}{(same.Key.Tap == TapPoint.Pre ? ", before the fader" : "")}{(same.Key.Open ? "" : ", closed")}"),
    ];

    private static string Standing(Template template, Insert insert) => insert switch
    {
        { Off: true } => " (off)",
        { WaitsFor.What: WaitReason.SongKey } when insert.IsIdle(template) => " (waits for the key)",
        _ when insert.IsIdle(template) => " (waits)",
        { KeptForAutomation: true } => " (kept for automation)",
        { ParkedIn.Count: > 0 } => $" (parked in {string.Join(", ", template.Acts.Where(a => insert.ParkedIn.Contains(a.Id)).Select(a => a.Name))})",
        _ => "",
    };
}
