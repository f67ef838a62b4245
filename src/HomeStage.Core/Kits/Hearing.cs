namespace HomeStage.Core.Kits;

/// <summary>How one output of a kit hears a stroke on one of its pieces.</summary>
/// <remarks>Microphones at one piece share its loudness, so that all of them are as loud as one. Sound takes 1 / 343 s a metre at 20 °C; from afar a hit is quieter and duller. A close microphone hears its neighbours from
/// 0.7 m. Overheads hang 1.5 m away; down the hall the sound comes from 8 m and once more off a wall, 13 m later.</remarks>
/// <param name="Pan">Where it stands in a stereo output, in [−1, 1].</param>
/// <param name="Gain">Amplitude, 1 for the only close microphone at its own piece.</param>
/// <param name="CornerHz">Above it the way through the air takes 6 dB an octave; null for none.</param>
public sealed record Hearing(int Output, double Pan, double Gain, double Metres = 0, double? CornerHz = null)
{
    public static IEnumerable<Hearing> Of(Kit kit, Piece piece)
    {
        var share = 1.0 / piece.Microphones.Count;
        foreach (var microphone in piece.Microphones)
            foreach (var output in microphone.SoundsOn())
                yield return new(output, microphone.Pan, share);

        foreach (var beside in kit.Pieces.Where(p => p.Name != piece.Name).SelectMany(p => p.Microphones).Where(m => m.NeighboursDb is not null))
            foreach (var output in beside.SoundsOn())
                yield return new(output, beside.Pan, new Decibels(beside.NeighboursDb!.Value).Linear, 0.7, 7000);

        // Stereo microphones hear where a piece stands as its own do.
        var pan = piece.Microphones.Average(m => m.Pan);
        foreach (var far in kit.Far)
            foreach (var output in far.Microphone.SoundsOn())
                foreach (var way in FromAfar(far.Place, output, pan))
                    yield return way;
    }

    private static IEnumerable<Hearing> FromAfar(FarPlace place, int output, double pan) => place == FarPlace.Overhead
        ? [new(output, pan * 0.8, 0.4, 1.5, 9000)]
        : [new(output, pan * 0.4, 0.16, 8, 4500), new(output, -pan, 0.1, 21, 2500)];
}
