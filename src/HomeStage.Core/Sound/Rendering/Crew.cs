namespace HomeStage.Core.Sound.Rendering;

/// <summary>Threads that work through levels of units together, stretch by stretch. Which of them does what changes nothing.</summary>
internal sealed class Crew : IDisposable
{
    /// <summary>Most waits are over within microseconds; on a machine that others work on as well, a thread that spins takes their time.</summary>
    private const int SpinsBeforeSleep = 100;

    private readonly IReadOnlyList<IUnit[]> _levels;
    private readonly int[] _next;
    private readonly int[] _left;
    private readonly ManualResetEventSlim[] _heard;
    private readonly Thread[] _helpers;
    private readonly SemaphoreSlim _begin = new(0);
    private readonly SemaphoreSlim _ended = new(0);
    private (long Frame, int Frames) _stretch;
    private volatile bool _isOver;
    private volatile Exception? _failure;

    /// <param name="threads">How many work, the caller's included; at least 1.</param>
    public Crew(IReadOnlyList<IUnit[]> levels, int threads)
    {
        _levels = levels;
        _next = new int[levels.Count];
        _left = new int[levels.Count];
        _heard = [.. levels.Select(_ => new ManualResetEventSlim(false, SpinsBeforeSleep))];
        _helpers = [.. Enumerable.Range(1, threads - 1).Select(i => new Thread(Help) { IsBackground = true, Name = $"render {i}", Priority = ThreadPriority.BelowNormal })];
        foreach (var helper in _helpers)
            helper.Start();
    }

    public void Render(long frame, int frames)
    {
        Array.Clear(_next);
        for (var level = 0; level < _levels.Count; level++)
        {
            _left[level] = _levels[level].Length;
            _heard[level].Reset();
        }

        _stretch = (frame, frames);
        if (_helpers.Length > 0)
            _begin.Release(_helpers.Length);
        Work();
        foreach (var _ in _helpers)
            _ended.Wait();
        if (_failure is { } failure)
            throw new InvalidOperationException("A unit failed.", failure);
    }

    public void Dispose()
    {
        _isOver = true;
        if (_helpers.Length > 0)
            _begin.Release(_helpers.Length);
        foreach (var helper in _helpers)
            helper.Join();
        _begin.Dispose();
        _ended.Dispose();
        foreach (var heard in _heard)
            heard.Dispose();
    }

    private void Help()
    {
        for (_begin.Wait(); !_isOver; _begin.Wait())
        {
            Work();
            _ended.Release();
        }
    }

    private void Work()
    {
        for (var level = 0; level < _levels.Count; level++)
        {
            var units = _levels[level];
            for (var place = Interlocked.Increment(ref _next[level]) - 1; place < units.Length; place = Interlocked.Increment(ref _next[level]) - 1)
            {
                RenderOne(units[place]);
                if (Interlocked.Decrement(ref _left[level]) == 0)
                    _heard[level].Set();
            }

            // The next level hears this one.
            if (units.Length > 0)
                _heard[level].Wait();
        }
    }

    private void RenderOne(IUnit unit)
    {
        try
        {
            unit.Render(_stretch.Frame, _stretch.Frames);
        }
        catch (Exception e)
        {
            // Thrown again by the caller's thread, so that no thread waits for a unit that never ends.
            _failure = e;
        }
    }
}
