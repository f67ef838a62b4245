using HomeStage.Core.Sound.Signals;
namespace HomeStage.Core.Sound.Processors;

/// <summary>What stands where an insert is parked.</summary>
internal sealed class PassThrough : IProcessor
{
    public void Process(SignalBlock signal, SignalBlock? key, int frames)
    {
    }

    public void Retune(Map<double> settings)
    {
    }

    public void Reset()
    {
    }
}
