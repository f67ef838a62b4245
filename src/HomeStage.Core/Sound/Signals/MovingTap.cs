namespace HomeStage.Core.Sound.Signals;

/// <summary>Holds one lane back by a number of frames that may change: what is heard then goes over from the old place to the new one.</summary>
/// <param name="late">Frames, at least 1: what is heard before a sample is put went in so many frames before it.</param>
/// <param name="moveFrames">How long a change takes, at least 1.</param>
public sealed class MovingTap(int late, int moveFrames)
{
    private float[] _held = new float[late + 1];
    private int _place;
    private int _late = late;
    private int _lateBefore = late;
    private int _moving;
    private bool _hasHeard;

    public float Heard()
    {
        var heard = Ago(_late);
        return _moving == 0 ? heard : heard + (Ago(_lateBefore) - heard) * _moving-- / moveFrames;
    }

    public void Put(float sample)
    {
        _hasHeard = true;
        _held[_place] = sample;
        _place = _place + 1 == _held.Length ? 0 : _place + 1;
    }

    /// <summary>Goes over to another place; at once where nothing was put yet.</summary>
    public void MoveTo(int late)
    {
        if (late == _late)
            return;
        if (late + 1 > _held.Length)
            Grow(late + 1);
        (_lateBefore, _late, _moving) = (_late, late, _hasHeard ? moveFrames : 0);
    }

    /// <summary>Forgets everything, and stands at a place at once.</summary>
    public void Reset(int late)
    {
        Array.Clear(_held);
        if (late + 1 > _held.Length)
            _held = new float[late + 1];
        (_late, _lateBefore, _moving, _place) = (late, late, 0, 0);
        _hasHeard = false;
    }

    private float Ago(int frames)
    {
        var at = _place - frames;
        return _held[at < 0 ? at + _held.Length : at];
    }

    private void Grow(int room)
    {
        // What was heard longest ago comes first, so that the new room lies before it.
        var held = new float[room];
        var newest = _held.Length - _place;
        _held.AsSpan(_place).CopyTo(held.AsSpan(room - _held.Length));
        _held.AsSpan(0, _place).CopyTo(held.AsSpan(room - _held.Length + newest));
        (_held, _place) = (held, 0);
    }
}
