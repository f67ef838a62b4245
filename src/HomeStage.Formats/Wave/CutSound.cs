namespace HomeStage.Formats.Wave;

/// <summary>Sound that went over full scale and was cut there: a file of whole numbers holds no more.</summary>
/// <param name="Name">Whose sound it is.</param>
/// <param name="ByDb">How far its largest sample stood over full scale, above 0.</param>
public sealed record CutSound(string Name, double ByDb)
{
    /// <param name="peak">The largest sample of what was written, unity at full scale.</param>
    /// <returns>Null where nothing is cut.</returns>
    public static CutSound? Of(string name, double peak, WaveDepth depth) => depth != WaveDepth.Float32 && peak > 1 ? new(name, 20 * Math.Log10(peak)) : null;
}
