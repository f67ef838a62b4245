using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>A part of a template kept whole: a branch with its strips, kits, splits, feeds, sends, starters and curves, and what it was joined with.</summary>
/// <param name="Stage">A template of its own in which the part stands, and beside it, bare, what it leads to and what leads to it.</param>
/// <param name="Outside">Channels of the stage that are no part of it: each is joined with something of the template that the piece is put into. The main is always one.</param>
/// <param name="LeftAtLufs">By what of <paramref name="Outside"/> it feeds: how loud what feeds that, alone and without its sends, is expected to be at the last sum. What is silent is missing.</param>
public sealed record SetPiece(Template Stage, Sequence<ChannelId> Outside, Map<double> LeftAtLufs)
{
    /// <summary>So many that a copy can remember what each became.</summary>
    public const int MostChannels = 900;

    /// <summary>What it is made of, in its own order.</summary>
    public IEnumerable<Channel> Own => Stage.Channels.Where(c => !Outside.Contains(c.Id));

    /// <summary>The part's own channels that nothing else of it carries.</summary>
    public IEnumerable<Channel> Tops => Own.Where(c => c.Destination is not { } under || Outside.Contains(under));

    /// <summary>What it is about: "14 channels: 2 buses, 9 voices, 3 others".</summary>
    public string Words
    {
        get
        {
            var own = Own.ToList();
            var sums = own.Count(c => c.Kind == ChannelKind.Bus);
            var families = own.Where(c => c.Kind != ChannelKind.Bus).GroupBy(c => ChannelRole.Of(c).Family).OrderByDescending(g => g.Count()).ThenBy(g => g.Key, StringComparer.Ordinal)
                .Select(g => $"{g.Count()} {(g.Key.Length == 0 || g.Key == RoleNames.Unknown ? "others" : g.Key)}");
            return $"{own.Count} {(own.Count == 1 ? "channel" : "channels")}: {string.Join(", ", families.Prepend(sums switch { 0 => "", 1 => "1 bus", _ => $"{sums} buses" }).Where(w => w.Length > 0))}";
        }
    }

    /// <returns>The first thing that is wrong, or null.</returns>
    public Refusal? Check() =>
        Editing.Rules.TemplateRules.Check(Stage)
        ?? (!Own.Any() ? new Refusal.Missing("channel", "", "that the piece is made of") : null)
        ?? (Own.Count() > MostChannels ? new Refusal.TooMany("channels of a set piece", MostChannels) : null)
        ?? Outside.Where(id => !Stage.Channels.Contains(id)).Select(Refusal? (id) => new Refusal.UnknownChannel(id)).FirstOrDefault()
        ?? (Outside.Contains(Stage.Main.Id) ? null : new Refusal.WrongPlace(Stage.Main.Name, "is the last sum, and no part of a piece"))
        ?? (LeftAtLufs.Any(l => !double.IsFinite(l.Value)) ? new Refusal.WrongPlace(Stage.Name, "says of a level that it left at what is no number") : null);
}
