using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound.Signals;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Processors;

/// <summary>Draws one voice to the notes of a scale.</summary>
/// <remarks>The pitch is found by <see cref="PitchFinder"/>; the voice is read a little faster or slower than it is written,
/// and whenever it has drifted by more than a period the reading jumps by whole periods with a short crossfade (the time-domain
/// splice of pitch shifters). What has no pitch passes as it is. Late by the delay that the drift needs on both sides.</remarks>
public sealed class PitchCorrectionProcessor : IProcessor
{
    private static readonly ProcessorKind Kind = ProcessorCatalogue.Find(ProcessorCatalogue.PitchCorrection)!;

    /// <summary>Milliseconds by which the voice is late.</summary>
    public const double LatencyMs = 32;

    private const double FadeMs = 5;

    private readonly PitchFinder _finder;
    private readonly CubicLine[] _readers;
    private readonly bool[] _ofTheKey;
    private readonly bool[] _every;
    private bool[] _scale;
    private double _share;
    private double _keep;
    private readonly double _home;
    private readonly int _fadeFrames;
    private readonly int _sampleRateHz;
    private double _semitones;
    private double _delay;
    private double _before;
    private int _fading;

    /// <param name="key">The song's key; without one every semitone is in the scale.</param>
    public PitchCorrectionProcessor(Map<double> settings, int lanes, int sampleRateHz, MusicalKey? key)
    {
        _sampleRateHz = sampleRateHz;
        _finder = new(sampleRateHz);
        _ofTheKey = PitchLaw.Scale(key);
        _every = _scale = PitchLaw.Scale(null);
        Retune(settings);
        _home = Math.Round(LatencyMs * sampleRateHz / 1000);
        _fadeFrames = (int)(FadeMs * sampleRateHz / 1000);
        _readers = [.. Enumerable.Range(0, lanes).Select(_ => new CubicLine(2 * (int)_home + 8))];
        Reset();
    }

    /// <summary>By how much the voice is moved at the moment.</summary>
    public double Semitones => _semitones;

    public void Retune(Map<double> settings)
    {
        _scale = Kind.Value(settings, "scale") >= 0.5 ? _every : _ofTheKey;
        _share = Kind.Value(settings, "amount-percent") / 100;
        _keep = Math.Exp(-1000 / (Kind.Value(settings, "rate-ms") * _sampleRateHz));
    }

    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
        for (var i = 0; i < frames; i++)
        {
            var voice = signal.Lanes == 1 ? signal.Lane(0, frames)[i] : (signal.Lane(0, frames)[i] + signal.Lane(1, frames)[i]) / 2;
            var hz = _finder.Next(voice);
            var wanted = hz > 0 ? _share * PitchLaw.Correction(hz, _scale) : 0;
            _semitones = Math.Abs(wanted - _semitones) < 1e-6 ? wanted : wanted + _keep * (_semitones - wanted);
            Move(hz > 0 ? _sampleRateHz / hz : _fadeFrames);
            for (var lane = 0; lane < _readers.Length; lane++)
            {
                ref var sample = ref signal.Lane(lane, frames)[i];
                _readers[lane].Put(sample);
                sample = _readers[lane].At(_delay);
                if (_fading > 0)
                    sample += (_readers[lane].At(_before) - sample) * _fading / _fadeFrames;
            }

            _fading = Math.Max(0, _fading - 1);
        }
    }

    public void Reset()
    {
        _finder.Reset();
        foreach (var reader in _readers)
            reader.Reset();
        (_semitones, _delay, _before, _fading) = (0, _home, _home, 0);
    }

    private void Move(double periodFrames)
    {
        var step = _semitones == 0 ? 0 : 1 - Math.Pow(2, _semitones / 12);
        _delay += step;
        _before += step;
        var drift = _delay - _home;
        // A period that is longer than the room cannot be jumped by; the drift stops there.
        if (_fading > 0 || Math.Abs(drift) <= periodFrames / 2 || periodFrames > _home)
        {
            _delay = Math.Clamp(_delay, 2, 2 * _home);
            _before = Math.Clamp(_before, 2, 2 * _home);
            return;
        }

        _before = _delay;
        _delay -= Math.Sign(drift) * periodFrames;
        _fading = _fadeFrames;
    }
}
