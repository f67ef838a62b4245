namespace HomeStage.Core.Sound.Processors;

/// <summary>One processor at work. Validated before it is made: processing neither throws nor allocates.</summary>
public interface IProcessor
{
    /// <summary>Changes a block in place.</summary>
    /// <param name="signal">As many lanes as it was made for.</param>
    /// <param name="key">What the detector shall hear, two lanes; null where it hears the signal itself.</param>
    /// <param name="frames">In [1, capacity of the blocks].</param>
    void Process(SignalBlock signal, SignalBlock? key, int frames);

    /// <summary>Forgets everything heard so far.</summary>
    void Reset();
}
