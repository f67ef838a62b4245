using HomeStage.Core.Routing;
using HomeStage.Core.Sound.Listening;

namespace HomeStage.Core.Sound.Tapes;

/// <summary>Which channels of a render are played from tape, and which are recorded for the next one.</summary>
/// <remarks>From the listening point outwards: what is on tape needs nothing that leads to it, and what is recorded is
/// first what lies nearest, so that after an edit most of the sum is there.</remarks>
internal sealed class Taping
{
    private readonly HeardGraph _heard;
    private readonly Dictionary<int, Tape> _played = [];
    private readonly Dictionary<int, Branch> _recorded = [];

    /// <param name="tapes">Null for none.</param>
    /// <param name="endFrames">How many frames are rendered.</param>
    public Taping(HeardGraph heard, BranchReader branches, TapeShelf? tapes, long endFrames)
    {
        _heard = heard;
        if (tapes is null)
            return;
        var left = tapes.MostBytesARender;
        var listened = heard.Graph.Stages[heard.Listened].Channel;
        var seen = new HashSet<int> { listened };
        var open = new Queue<int>(seen);
        while (open.TryDequeue(out var channel))
        {
            if (!IsKeyHeard(channel))
            {
                var branch = branches.Of(channel);
                if (tapes.Find(branch) is { } tape)
                {
                    _played[channel] = tape;
                    continue;
                }

                // What is listened to is kept as the render itself.
                var bytes = Places(channel).Count() * (heard.Graph.Template.Channels[channel].Format == ChannelFormat.Mono ? 1 : 2) * endFrames * sizeof(float);
                if (channel != listened && bytes <= left)
                {
                    _recorded[channel] = branch;
                    left -= bytes;
                }
            }

            foreach (var feeding in Feeding(channel).Where(seen.Add))
                open.Enqueue(feeding);
        }
    }

    public Tape? PlayedFor(int channel) => _played.GetValueOrDefault(channel);

    public Branch? RecordedFor(int channel) => _recorded.GetValueOrDefault(channel);

    private IEnumerable<int> Places(int channel) =>
        Enumerable.Range(_heard.Graph.InputOf(channel), _heard.Graph.PostOf(channel) - _heard.Graph.InputOf(channel) + 1).Where(_heard.Taken.Contains);

    private bool IsKeyHeard(int channel) => Places(channel).Any(s => _heard.Graph.Stages[s].Kind == StageKind.Insert);

    private IEnumerable<int> Feeding(int channel) =>
        Enumerable.Range(_heard.Graph.InputOf(channel), _heard.Graph.PostOf(channel) - _heard.Graph.InputOf(channel) + 1)
            .SelectMany(_heard.SoundingInto)
            .Select(x => _heard.Graph.Stages[x.Link.From])
            .Where(s => s.Kind != StageKind.Player)
            .Select(s => s.Channel);
}
