namespace HomeStage.Core.Sound.Instruments;

/// <summary>What a drum sound is made of: dying tones and bursts of filtered noise.</summary>
/// <param name="Gain">Amplitude of the whole.</param>
public sealed record DrumRecipe(double Gain, DrumTone[] Tones, DrumNoise[] Noises);

/// <summary>A tone that falls from one pitch to another while it dies.</summary>
/// <param name="DropMs">Time constant of the fall.</param>
/// <param name="DecayMs">Until it is 60 dB down.</param>
public sealed record DrumTone(
    double StartHz, double EndHz, double DropMs, double DecayMs, double Gain, double DelayMs = 0, double AttackMs = 0.6);

/// <summary>A burst of noise between two cuts.</summary>
/// <param name="DecayMs">Until it is 60 dB down.</param>
/// <param name="Bursts">How many short bursts come before the last one, each 11 ms apart.</param>
public sealed record DrumNoise(
    double LowHz, double HighHz, double DecayMs, double Gain, double AttackMs = 0.3, int Bursts = 0);
