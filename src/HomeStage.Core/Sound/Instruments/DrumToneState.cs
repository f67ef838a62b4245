using System.Runtime.Intrinsics;
using HomeStage.Core.Sound.Kernels;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>A tone of a drum as it falls in pitch and dies.</summary>
/// <param name="gain">Amplitude of the whole hit.</param>
internal sealed class DrumToneState(DrumTone tone, double gain, int sampleRateHz)
{
    // Once the fall is a hundredth of a Hz from its end, the tone turns at a constant rate: no sine is spent on it.
    private const double ArrivedHz = 0.01;

    private readonly double _keep = DrumVoice.Keep(tone.DecayMs, sampleRateHz);
    private readonly double _dropKeep = Math.Exp(-1000 / (tone.DropMs * sampleRateHz));
    private readonly double _attackStep = 1000 / (tone.AttackMs * sampleRateHz);
    private readonly double _turn = tone.EndHz / sampleRateHz;
    private readonly float[] _turnsOf = new float[IVoice.Chunk];
    private readonly float[] _levelOf = new float[IVoice.Chunk];
    private int _wait = (int)(tone.DelayMs / 1000 * sampleRateHz);
    private double _turns;
    private double _above = tone.StartHz - tone.EndHz;
    private double _level = tone.Gain * gain;
    private double _attack;
    private Partial _partial;
    private bool _isSteady;
    private bool _isOver;

    /// <summary>Adds the next chunk.</summary>
    public void AddTo(Span<float> sum)
    {
        if (_isOver)
            return;
        if (_isSteady)
        {
            _partial.AddTo(sum);
            _isOver = _partial.IsOver;
            return;
        }

        for (var i = 0; i < IVoice.Chunk; i++)
            Step(i);
        for (var i = 0; i < IVoice.Chunk; i += 8)
            Vector256.FusedMultiplyAdd(Waves.Sine(Vector256.Create(_turnsOf, i)), Vector256.Create(_levelOf, i), Vector256.Create<float>(sum.Slice(i, 8))).CopyTo(sum[i..]);
        if (_wait > 0 || _attack < 1 || Math.Abs(_above) >= ArrivedHz)
            return;
        _isSteady = true;
        _partial = new(_turn, _level, _keep, _turns + _turn);
    }

    private void Step(int i)
    {
        if (_wait > 0)
        {
            _wait--;
            (_turnsOf[i], _levelOf[i]) = (0, 0);
            return;
        }

        _turns += _turn + _above / sampleRateHz;
        _turns -= Math.Floor(_turns);
        _above *= _dropKeep;
        (_turnsOf[i], _levelOf[i]) = ((float)_turns, (float)(_attack * _level));
        if (_attack < 1)
            _attack = Math.Min(1, _attack + _attackStep);
        else
            _level *= _keep;
    }
}
