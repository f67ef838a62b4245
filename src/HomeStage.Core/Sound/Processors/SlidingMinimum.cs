namespace HomeStage.Core.Sound.Processors;

/// <summary>The smallest of the last values, in constant time a value on average (a monotonic queue).</summary>
public sealed class SlidingMinimum
{
    private readonly int _window;
    private readonly double[] _values;
    private readonly long[] _times;
    private int _head;
    private int _count;
    private long _time;

    /// <param name="window">How many values it looks back on, the newest included; at least 1.</param>
    public SlidingMinimum(int window)
    {
        if (window < 1)
            throw new ArgumentOutOfRangeException(nameof(window), window, "Must hold at least one value.");
        _window = window;
        _values = new double[window + 1];
        _times = new long[window + 1];
    }

    public double Next(double value)
    {
        while (_count > 0 && _values[Slot(_count - 1)] >= value)
            _count--;
        _values[Slot(_count)] = value;
        _times[Slot(_count)] = _time;
        _count++;
        if (_times[_head] <= _time - _window)
        {
            _head = Slot(1);
            _count--;
        }

        _time++;
        return _values[_head];
    }

    /// <summary>As if <paramref name="value"/> had been heard for ever.</summary>
    public void Reset(double value)
    {
        (_head, _count, _time) = (0, 0, 0);
        Next(value);
    }

    private int Slot(int offset)
    {
        var slot = _head + offset;
        return slot >= _values.Length ? slot - _values.Length : slot;
    }
}
