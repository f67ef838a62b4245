using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Striking;

/// <summary>Channels that are takes of one thing: the one that carries it on, and the others.</summary>
internal sealed record TakeGroup(string Stem, Channel Kept, IReadOnlyList<Channel> Others)
{
    private const TakeMarks OneAmongOthers = TakeMarks.Take | TakeMarks.Chosen | TakeMarks.Dropped | TakeMarks.Copy;

    /// <param name="among">Audio channels that nobody has set up beforehand.</param>
    /// <returns>In the template's order; channels that share a name and a way without a word of takes are no group.</returns>
    public static IEnumerable<TakeGroup> In(IEnumerable<Channel> among) =>
        from channel in among
        let name = TakeName.Read(channel.Name)
        group (Take: channel, Name: name) by (Stem: name.Stem.ToUpperInvariant(), channel.Destination) into takes
        where takes.Count() > 1 && takes.Any(t => (t.Name.Marks & OneAmongOthers) != TakeMarks.None)
        let ranked = takes.OrderBy(t => RankOf(t.Take, t.Name)).Select(t => t.Take).ToList()
        let stem = takes.Any(t => t.Name.Marks == TakeMarks.None) ? takes.First(t => t.Name.Marks == TakeMarks.None).Take.Name : TakeName.Read(ranked[0].Name).Stem
        select new TakeGroup(stem, ranked[0], [.. takes.Select(t => t.Take).Where(c => c != ranked[0])]);

    /// <summary>What was chosen goes before what only bears the name, that before a take, and what was put away comes last; of two alike the one that is heard, then the one with more on it.</summary>
    private static (int Put, int Asleep, int Less) RankOf(Channel channel, TakeName name) => (
        name.Marks.HasFlag(TakeMarks.Dropped) ? 4
            : name.Marks.HasFlag(TakeMarks.Chosen) ? 0
            : name.Marks.HasFlag(TakeMarks.Copy) ? 3
            : name.Marks.HasFlag(TakeMarks.Take) ? 2
            : 1,
        channel.Muted || channel.Stages.Any(s => s.Value == StageState.InTheWings) ? 1 : 0,
        -(channel.Inserts.Count + channel.Sends.Count + channel.Feeds.Count));
}
