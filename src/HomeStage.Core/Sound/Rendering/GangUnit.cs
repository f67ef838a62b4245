using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>Channels of one level whose strips have one shape, worked through in lockstep. Each gives the samples that it would give
/// alone.</summary>
internal sealed class GangUnit : IUnit
{
    // Fewer lanes are quicker one by one.
    private const int LeastLanes = 4;

    private readonly ChannelUnit[] _channels;
    private readonly RecordedUnit[] _recorded;
    private readonly EightLanes _together = new(Pace.BlockFrames);
    private readonly float[][] _lanes = new float[EightLanes.Width][];
    private readonly Action<int>[] _steps;
    private readonly Action[] _notes;

    /// <param name="members">Channels whose strips are <paramref name="strips"/>, of one shape, at most eight lanes together.</param>
    private GangUnit(IReadOnlyList<IUnit> members, IReadOnlyList<LockstepStrip> strips)
    {
        _channels = [.. members.Select(ChannelOf).OfType<ChannelUnit>()];
        _recorded = [.. members.OfType<RecordedUnit>()];
        var lanesEach = _channels[0].Lanes;
        for (var lane = 0; lane < _lanes.Length; lane++)
            _lanes[lane] = lane < lanesEach * _channels.Length ? _channels[lane / lanesEach].Lane(lane % lanesEach) : new float[Pace.BlockFrames];
        var made = Enumerable.Range(0, strips[0].Steps.Count).Select(step => Step([.. strips.Select(s => s.Steps[step])], lanesEach)).ToList();
        _steps = [.. made.Select(m => m.Run)];
        _notes = [.. made.Select(m => m.Note)];
    }

    /// <summary>Gathers what can run together of the units of one level.</summary>
    /// <returns>Gangs and the units that stay alone, in the order of their first.</returns>
    public static IEnumerable<IUnit> Gathered(IEnumerable<IUnit> level)
    {
        var units = level.Select(u => (Unit: u, Strip: ChannelOf(u)?.Plain)).ToList();
        var alone = units.Where(u => u.Strip is null).Select(u => u.Unit);
        var gangs = units.Where(u => u.Strip is not null)
            .GroupBy(u => u.Strip!.Shape)
            .SelectMany(g => g.Chunk(EightLanes.Width / ChannelOf(g.First().Unit)!.Lanes))
            .SelectMany(chunk => chunk.Length * ChannelOf(chunk[0].Unit)!.Lanes < LeastLanes
                ? chunk.Select(u => u.Unit)
                : [new GangUnit([.. chunk.Select(u => u.Unit)], [.. chunk.Select(u => u.Strip!)])]);
        // What takes longest comes first.
        return [.. gangs, .. alone];
    }

    public void Render(long frame, int frames)
    {
        for (var start = 0; start < frames; start += Pace.BlockFrames)
        {
            var most = Math.Min(Pace.BlockFrames, frames - start);
            foreach (var channel in _channels)
                channel.Enter(start, frame + start, most);
            _together.Lay(_lanes, most);
            foreach (var step in _steps)
                step(most);
            _together.Take(_lanes, most);
            foreach (var channel in _channels)
                channel.Leave(start, frame + start, most);
        }

        foreach (var note in _notes)
            note();
        foreach (var recorded in _recorded)
            recorded.Keep(frame, frames);
    }

    private static ChannelUnit? ChannelOf(IUnit unit) => unit as ChannelUnit ?? (unit as RecordedUnit)?.Unit;

    /// <summary>One insert of every strip.</summary>
    private (Action<int> Run, Action Note) Step(
        IReadOnlyList<(InsertAtWork Insert, IReadOnlyList<StateVariable>? Bands, CompressorLane? Compressor)> inserts, int lanesEach)
    {
        T[] Lanes<T>(Func<int, T> of, T idle) =>
            [.. Enumerable.Range(0, EightLanes.Width).Select(lane => lane / lanesEach < inserts.Count ? of(lane / lanesEach) : idle)];
        if (inserts[0].Bands is not null)
        {
            var bands = new LockstepBands(Lanes<IReadOnlyList<StateVariable>>(i => inserts[i].Bands!, []));
            return (frames => bands.Process(_together, frames), () => { });
        }

        var compressors = new LockstepCompressor(Lanes(i => inserts[i].Compressor!.Value, CompressorLane.Idle), pairs: lanesEach == 2);
        return (frames => compressors.Process(_together, frames), () =>
        {
            for (var i = 0; i < inserts.Count; i++)
                inserts[i].Insert.Note(compressors.LargestReductionDb(i * lanesEach));
        }
        );
    }
}
