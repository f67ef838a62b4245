using HomeStage.Core.Pieces;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Demo;

/// <summary>Parts of the demo company's templates that it puts into others: who sings, what thunders, and where it rings.</summary>
internal static class QuayPieces
{
    /// <param name="templates">The demo's, by name.</param>
    public static IEnumerable<(string Name, ShelfContent Content)> Items(IReadOnlyDictionary<string, Template> templates) =>
    [
        ("Ferry company", Of(templates[NightFerry.Name], "v", "voices")),
        ("Thunder", Of(templates[StormCue.Name], "t", "thunder")),
        ("Storm spaces", Of(templates[StormCue.Name], "p", "spaces")),
    ];

    private static SetPieceContent Of(Template template, string key, params string[] channels) =>
        new(PieceCut.Of(template, [.. channels.Select(c => new ChannelId(c))])!.Value.Piece, key);
}
