using HomeStage.Core.Compiling;
using HomeStage.Core.Media;
using HomeStage.Core.Playing;
using HomeStage.Core.Routing;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Sound.Tapes;

/// <summary>Reads from a template what each branch of a render consists of.</summary>
internal sealed class BranchReader(CompiledTemplate compiled, RenderRequest request, HeardGraph heard, IMediaShelf shelf, long endFrames)
{
    private readonly Template _template = compiled.Template;
    private readonly NoteRoute _notes = compiled.In(request.Act).Notes;
    private readonly Dictionary<int, Part> _players = [];
    private readonly Scene _scene = new(
        compiled.Template.SampleRateHz, compiled.Template.PanLaw, compiled.Template.Timeline, compiled.Template.Key, request.Act, request.Section,
        request.Section is null ? RenderLead.FromRest : request.Lead, request.MetersInFull, endFrames);

    /// <param name="channel">Index in the template.</param>
    public Branch Of(int channel)
    {
        var (input, post) = (heard.Graph.InputOf(channel), heard.Graph.PostOf(channel));
        var strips = heard.StripsLeadingTo(channel).ToList();
        var players = heard.Upstream(post).Where(s => heard.Graph.Stages[s].Kind == StageKind.Player).Order().Select(Player).ToList();
        var within = strips.Select(c => c.Id).Concat(players.Select(p => p.Content.Id)).ToHashSet();
        return new(new(
            _scene,
            [.. players, .. strips.Select(c => Part.Strip(c, heard.IsReadAfterFader(c.Id), within, _template, _notes))],
            [.. _template.Levers
                .Select(l => l with { Name = "", Ranges = [.. l.Ranges.Where(r => within.Contains(r.Channel))] })
                .Where(l => l.Ranges.Count > 0)],
            [.. players.SelectMany(p => Sounds(p.Content)).Distinct().Where(content => shelf.Find(content) is null)],
            [.. Enumerable.Range(input, post - input + 1).Where(heard.Taken.Contains).Select(s => s - input)]));
    }

    private Part Player(int stage) =>
        _players.TryGetValue(stage, out var known) ? known : _players[stage] = Part.Player(heard.ChannelOf(stage), _notes);

    private static IEnumerable<string> Sounds(Channel channel) =>
        channel.Starters.Select(s => s.Sound.Content)
            .Concat(channel.Source is InstrumentSource { Kit: { } kit } ? kit.Pieces.Select(p => p.Sample?.Content).OfType<string>() : []);
}
