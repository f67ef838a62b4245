namespace HomeStage.Core.Cabled;

/// <summary>A hardware input on which something is seen.</summary>
/// <param name="Input">Its number, from 1.</param>
/// <param name="PeakDbfs">Largest sample.</param>
public sealed record InputLight(int Input, double PeakDbfs)
{
    /// <summary>What is quieter lights nothing.</summary>
    public const double LitDbfs = -60;
}
