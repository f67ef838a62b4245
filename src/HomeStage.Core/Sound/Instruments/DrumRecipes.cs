using HomeStage.Core.Kits;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>The stand-in voices of the kits.</summary>
/// <remarks>Made by ear and by the ratios of an ideal membrane (1 : 1.59 : 2.14 : 2.30, the zeros of the Bessel
/// functions) and of bells; they imitate no instrument in particular.</remarks>
public static class DrumRecipes
{
    /// <exception cref="ArgumentOutOfRangeException">Not one of the sounds.</exception>
    public static DrumRecipe Of(DrumSound sound) => sound switch
    {
        DrumSound.Kick => new(0.95, [new(165, 50, 24, 520, 1), new(900, 240, 5, 30, 0.22)], [new(1800, 9000, 18, 0.16)]),
        DrumSound.DeepDrum => new(0.82, [.. Membrane(88, 41, 55, 1500)], [new(90, 1200, 80, 0.3)]),
        DrumSound.DeepDrumRim => new(0.6, [new(380, 372, 10, 120, 0.8), new(612, 600, 8, 90, 0.5), new(930, 930, 1, 60, 0.35)], [new(900, 6000, 30, 0.4)]),
        DrumSound.Snare => new(0.62, [new(220, 186, 12, 210, 0.8), new(345, 330, 12, 150, 0.45)], [new(1300, 9500, 330, 0.75)]),
        DrumSound.SideDrum => new(0.6, [new(170, 148, 18, 340, 0.85), new(262, 238, 15, 260, 0.5), new(340, 318, 10, 200, 0.3)], [new(900, 6500, 430, 0.55)]),
        DrumSound.BrushedDrum => new(0.5, [new(165, 158, 20, 130, 0.15)], [new(1500, 8500, 420, 0.8, AttackMs: 32)]),
        DrumSound.RimClick => new(0.6, [new(540, 520, 6, 80, 0.7), new(1650, 1650, 1, 40, 0.5)], [new(1500, 8000, 14, 0.4)]),
        DrumSound.Clap => new(0.7, [], [new(750, 3600, 330, 0.95, AttackMs: 0.4, Bursts: 3)]),
        DrumSound.ClosedHat => new(0.42, [.. Cluster(3400, 70, 0.1)], [new(7200, 16000, 90, 0.8)]),
        DrumSound.OpenHat => new(0.42, [.. Cluster(3400, 520, 0.1)], [new(6500, 16000, 820, 0.75)]),
        DrumSound.FootHat => new(0.36, [.. Cluster(2900, 90, 0.12)], [new(4800, 12000, 130, 0.7, AttackMs: 2)]),
        DrumSound.HighTom => new(0.75, [.. Membrane(232, 168, 42, 650)], [new(300, 3500, 45, 0.18)]),
        DrumSound.LowTom => new(0.85, [.. Membrane(146, 98, 52, 900)], [new(200, 2600, 55, 0.18)]),
        DrumSound.FrameDrumOpen => new(0.8, [.. Membrane(112, 93, 60, 1250)], [new(250, 2200, 40, 0.25)]),
        DrumSound.FrameDrumSlap => new(0.62, [new(330, 322, 8, 160, 0.6), new(510, 505, 8, 120, 0.4)], [new(1100, 7500, 90, 0.6)]),
        DrumSound.Ride => new(0.34, [.. Cluster(940, 1900, 0.12), new(3150, 3150, 1, 700, 0.12)], [new(5200, 15000, 2300, 0.45)]),
        DrumSound.Crash => new(0.42, [.. Cluster(1250, 1500, 0.05)], [new(2800, 15500, 2400, 0.75, AttackMs: 3), new(500, 3000, 700, 0.3)]),
        DrumSound.Shaker => new(0.4, [], [new(4200, 12500, 120, 0.9, AttackMs: 22)]),
        DrumSound.SandBlock => new(0.45, [], [new(1600, 6200, 150, 0.9, AttackMs: 48)]),
        DrumSound.HighWoodBlock => new(0.6, [new(985, 980, 5, 120, 0.9), new(2420, 2410, 4, 60, 0.4), new(3900, 3900, 1, 30, 0.2)], [new(1800, 7000, 10, 0.2)]),
        DrumSound.LowWoodBlock => new(0.65, [new(646, 640, 5, 150, 0.9), new(1580, 1570, 4, 75, 0.4), new(2600, 2600, 1, 40, 0.2)], [new(1200, 5000, 12, 0.2)]),
        DrumSound.Bell => new(0.4, [.. Bell(880, 3600, 0)], [new(3000, 9000, 12, 0.2)]),
        DrumSound.LowBell => new(0.42, [.. Bell(440, 5200, 0)], [new(2000, 7000, 14, 0.2)]),
        DrumSound.HighBell => new(0.36, [.. Bell(1318, 2600, 0)], [new(4000, 11000, 10, 0.2)]),
        DrumSound.HandBells => new(0.3, [.. Enumerable.Range(0, 4).SelectMany(i => Bell(1760 * Math.Pow(1.26, i), 1900, i * 31).Take(3))], [new(5000, 12000, 8, 0.15)]),
        DrumSound.BellTree => new(0.34, [.. Enumerable.Range(0, 14).SelectMany(i => Bell(5200 * Math.Pow(0.945, i), 1500, i * 48).Take(2))], []),
        DrumSound.Gong => new(0.5, [.. Gong()], [new(350, 2600, 3000, 0.14, AttackMs: 220)]),
        _ => throw new ArgumentOutOfRangeException(nameof(sound), sound, "Not a drum sound."),
    };

    private static IEnumerable<DrumTone> Membrane(double startHz, double endHz, double dropMs, double decayMs)
    {
        double[] ratios = [1, 1.59, 2.14, 2.30];
        double[] gains = [1, 0.34, 0.16, 0.1];
        return ratios.Select((ratio, i) => new DrumTone(startHz * ratio, endHz * ratio, dropMs, decayMs / (1 + 1.3 * i), gains[i]));
    }

    private static IEnumerable<DrumTone> Cluster(double hz, double decayMs, double gain)
    {
        double[] ratios = [1, 1.342, 1.787, 2.231, 2.663, 3.14];
        return ratios.Select((ratio, i) => new DrumTone(hz * ratio, hz * ratio, 1, decayMs / (1 + 0.12 * i), gain));
    }

    private static IEnumerable<DrumTone> Bell(double hz, double decayMs, double delayMs)
    {
        // Hum, prime, tierce, quint, nominal and two above, as bell founders count them.
        double[] ratios = [1, 2, 0.5, 1.183, 1.506, 2.514, 3.01];
        double[] gains = [0.7, 0.5, 0.35, 0.3, 0.2, 0.2, 0.12];
        double[] decays = [1, 0.6, 1.4, 0.8, 0.5, 0.35, 0.25];
        return ratios.Select((ratio, i) => new DrumTone(hz * ratio, hz * ratio, 1, decayMs * decays[i], gains[i], delayMs));
    }

    private static IEnumerable<DrumTone> Gong()
    {
        double[] hz = [82, 131, 176, 229, 301, 388, 467, 612];
        return hz.Select((h, i) => new DrumTone(h * 1.012, h, 220, 6500 / (1 + 0.35 * i), 0.5 / (1 + 0.25 * i), 0, 4 + 26 * i));
    }
}
