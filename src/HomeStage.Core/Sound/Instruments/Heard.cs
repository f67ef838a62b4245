using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>Where a voice is heard: by an output, from how far.</summary>
/// <param name="Output">Number of the instrument's output, from 1.</param>
/// <param name="Gains">What each side hears of it.</param>
/// <param name="LateFrames">How long the sound is under way.</param>
/// <param name="Dull">What air and distance take off the highs: the share of the last sample in a one-pole, in [0, 1).</param>
public sealed record Heard(int Output, PanGains Gains, int LateFrames = 0, double Dull = 0);

/// <summary>A voice and everywhere that it is heard.</summary>
public sealed record Struck(IVoice Voice, IReadOnlyList<Heard> By);
