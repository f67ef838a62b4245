using HomeStage.Core.Sound.Signals;
namespace HomeStage.Core.Sound.Processors;

/// <summary>One processor at work. Validated before it is made: processing neither throws nor allocates.</summary>
public interface IProcessor
{
    /// <summary>Changes a block in place.</summary>
    /// <param name="signal">As many lanes as it was made for.</param>
    /// <param name="key">What the detector shall hear, two lanes; null where it hears the signal itself.</param>
    /// <param name="frames">In [1, capacity of the blocks].</param>
    void Process(SignalBlock signal, SignalBlock? key, int frames);

    /// <summary>Other settings from the next frame on. What makes it late, and what it is built of, stays as it was made.</summary>
    void Retune(Map<double> settings);

    /// <summary>Forgets everything heard so far.</summary>
    void Reset();
}
