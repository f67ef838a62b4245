using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>Finds for what a piece was joined with its counterpart in a template: the main and the mix bus are what they are; else by role, and among those of one role by name; else by name.</summary>
internal sealed class PieceJoins(SetPiece piece, Template template)
{
    /// <param name="said">By id of what is outside with what it shall be joined: a channel's id, <see cref="PieceJoint.Along"/>, or empty or null for nothing.</param>
    /// <returns>One for each thing outside with which something is joined at all, in the piece's order.</returns>
    public IReadOnlyList<PieceJoint> Of(IReadOnlyDictionary<string, string?>? said)
    {
        var links = piece.Outside.Select(id => PieceLink.Of(piece, piece.Stage.Channels[id])).Where(l => l.IsJoined).ToList();
        var choices = links.ToDictionary(l => l.Outside.Id, l => template.Channels.Where(c => l.Fits(template, c)).ToList());
        var found = Matched(links, choices);
        return [.. links.Select(link => Joint(link, choices[link.Outside.Id], found, said))];
    }

    private PieceJoint Joint(PieceLink link, List<Channel> choices, Dictionary<ChannelId, ChannelId> found, IReadOnlyDictionary<string, string?>? said)
    {
        var canCome = PieceJoint.MayComeAlong(link.Outside.Kind);
        ChannelId? to = found.TryGetValue(link.Outside.Id, out var match) ? match : null;
        var along = to is null && canCome;
        if (said is not null && said.TryGetValue(link.Outside.Id.Value, out var wanted))
            (to, along) = (choices.FirstOrDefault(c => c.Id.Value == wanted)?.Id, canCome && wanted == PieceJoint.Along);
        return new(link.Outside.Id, link.Outside.Name, link.Words, choices.Select(c => c.Id).ToSequence(), to, along, to is null && !along ? link.Lost(template) : null) { CanComeAlong = canCome };
    }

    private Dictionary<ChannelId, ChannelId> Matched(List<PieceLink> links, Dictionary<ChannelId, List<Channel>> choices)
    {
        var found = new Dictionary<ChannelId, ChannelId>();
        foreach (var (mine, theirs) in new[] { (piece.Stage.Main.Id, template.Main.Id), (ChannelFactory.MixBus(piece.Stage), ChannelFactory.MixBus(template)) })
            if (choices.TryGetValue(mine, out var able) && able.Exists(c => c.Id == theirs))
                found[mine] = theirs;
        foreach (var isAlike in new Func<Channel, Channel, bool>[] { (a, b) => IsOfOneRole(a, b) && IsCalledAlike(a, b), IsOfOneRole, IsCalledAlike })
            foreach (var link in links.Where(l => !found.ContainsKey(l.Outside.Id)))
                if (choices[link.Outside.Id].Find(c => !found.ContainsValue(c.Id) && isAlike(link.Outside, c)) is { } match)
                    found[link.Outside.Id] = match.Id;
        return found;
    }

    private static bool IsOfOneRole(Channel outside, Channel here) => ChannelRole.Of(outside).Role is var role && role != RoleNames.Unknown && role == ChannelRole.Of(here).Role;

    private static bool IsCalledAlike(Channel outside, Channel here) => string.Equals(outside.Name, here.Name, StringComparison.OrdinalIgnoreCase);
}
