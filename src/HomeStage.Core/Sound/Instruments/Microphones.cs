using HomeStage.Core.Kits;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>How the outputs of a kit hear its pieces.</summary>
/// <remarks>Sound takes 1 / 343 s a metre at 20 °C; from afar a hit is quieter and duller. Overheads hang 1.5 m away; down the
/// hall the sound comes from 8 m and once more off a wall, 13 m later.</remarks>
internal sealed class Microphones(PanLaw law, int sampleRateHz)
{
    private const double MetresASecond = 343;

    public IReadOnlyList<Heard> Of(Kit kit, Piece piece, double gain)
    {
        var heard = new List<Heard> { new(piece.Output, Gains(piece.Pan, IsStereo(kit, piece.Output), gain)) };
        if (piece.AlsoOnFirst && piece.Output != 1)
            heard.Add(new(1, Gains(piece.Pan, IsStereo(kit, 1), gain)));
        foreach (var microphone in kit.Pieces)
        {
            var stereo = IsStereo(kit, microphone.Output);
            switch (microphone.Hears)
            {
                case Microphone.Overhead:
                    heard.Add(Far(microphone.Output, piece.Pan * 0.8, stereo, gain * 0.4, 1.5, 9000));
                    break;
                case Microphone.Hall:
                    heard.Add(Far(microphone.Output, piece.Pan * 0.4, stereo, gain * 0.16, 8, 4500));
                    heard.Add(Far(microphone.Output, -piece.Pan, stereo, gain * 0.1, 21, 2500));
                    break;
            }
        }

        return heard;
    }

    private static bool IsStereo(Kit kit, int output) => kit.Outputs[output - 1].Format == ChannelFormat.Stereo;

    private Heard Far(int output, double pan, bool stereo, double gain, double metres, double cornerHz) =>
        new(output, Gains(pan, stereo, gain), (int)Math.Round(metres / MetresASecond * sampleRateHz), Math.Exp(-2 * Math.PI * cornerHz / sampleRateHz));

    private PanGains Gains(double pan, bool stereo, double gain)
    {
        var place = stereo ? PanGains.Mono(pan, law) : new(1, 1);
        return new(gain * place.Left, gain * place.Right);
    }
}
