using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>What the parts of a piece are called in a template: ids and names that are taken get the next number.</summary>
internal sealed class PieceNames
{
    private const string GroovePrefix = "groove/";
    private const string LeverPrefix = "lever/";
    private readonly Dictionary<ChannelId, (ChannelId Id, string Name)> _channels = [];
    private readonly Dictionary<string, string> _grooves = [];
    private readonly Dictionary<string, (string Id, string Name)> _levers = [];

    /// <param name="known">By id in the piece the id here, for those that have one already.</param>
    public PieceNames(Template template, SetPiece piece, IReadOnlyList<PieceJoint> joints, Map<string>? known = null)
    {
        known ??= Map<string>.Empty;
        var ids = template.Channels.Select(c => c.Id.Value).Concat(known.Values).ToHashSet();
        var names = template.Channels.Select(c => c.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var along = joints.Where(j => j.ComesAlong).Select(j => j.Outside).ToHashSet();
        Channels = [.. piece.Stage.Channels.Where(c => !piece.Outside.Contains(c.Id) || along.Contains(c.Id))];
        foreach (var channel in Channels)
        {
            var id = known.TryGetValue(channel.Id.Value, out var has) ? new ChannelId(has) : Numbering.FreshId(channel.Id.Value, i => ids.Contains(i.Value));
            var name = Numbering.Free(channel.Name, names.Contains);
            ids.Add(id.Value);
            names.Add(name);
            _channels[channel.Id] = (id, name);
            Became = Became.With(channel.Id.Value, id.Value);
        }

        foreach (var groove in piece.Stage.Grooves)
            if (template.Grooves.FirstOrDefault(g => g with { Name = groove.Name } == groove) is { } same)
            {
                _grooves[groove.Name] = same.Name;
            }
            else
            {
                _grooves[groove.Name] = Numbering.Free(groove.Name, n => template.Grooves.Any(g => g.Name == n) || _grooves.ContainsValue(n));
                NewGrooves.Add(groove with { Name = _grooves[groove.Name] });
                Became = Became.With(GroovePrefix + groove.Name, _grooves[groove.Name]);
            }

        foreach (var lever in piece.Stage.Levers)
        {
            var id = Numbering.Fresh(lever.Id, i => template.Levers.Any(l => l.Id == i) || _levers.Values.Any(l => l.Id == i));
            _levers[lever.Id] = (id, Numbering.Free(lever.Name, n => template.Levers.Any(l => l.Name == n) || _levers.Values.Any(l => l.Name == n)));
            Became = Became.With(LeverPrefix + lever.Id, id);
        }
    }

    /// <summary>What is put in, in the piece's order.</summary>
    public IReadOnlyList<Channel> Channels { get; }

    /// <summary>By id in the piece the id here, as <see cref="PutIn"/> has it.</summary>
    public Map<string> Became { get; private set; } = Map<string>.Empty;

    /// <summary>Grooves that the template does not have, under their names here.</summary>
    public List<Notes.Groove> NewGrooves { get; } = [];

    public bool IsPutIn(ChannelId inPiece) => _channels.ContainsKey(inPiece);

    public ChannelId Of(ChannelId inPiece) => _channels[inPiece].Id;

    public string NameOf(ChannelId inPiece) => _channels[inPiece].Name;

    public string GrooveOf(string inPiece) => _grooves[inPiece];

    public (string Id, string Name) LeverOf(string inPiece) => _levers[inPiece];

    /// <returns>The groove that a piece has brought, or null.</returns>
    public static string? GrooveIn(string became, string here) => became.StartsWith(GroovePrefix, StringComparison.Ordinal) ? here : null;

    /// <returns>Id of the lever that a piece has brought, or null.</returns>
    public static string? LeverIn(string became, string here) => became.StartsWith(LeverPrefix, StringComparison.Ordinal) ? here : null;
}
