using HomeStage.Core.Kits;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Instruments;

/// <summary>What a voice of a kit is heard by, in frames and gains.</summary>
internal sealed class Microphones(PanLaw law, int sampleRateHz)
{
    private const double MetresASecond = 343;

    public IReadOnlyList<Heard> Of(Kit kit, Piece piece, double gain) => [.. Hearing.Of(kit, piece).Select(h => HeardBy(kit, h, gain))];

    private Heard HeardBy(Kit kit, Hearing hearing, double gain)
    {
        var gains = Gains(hearing.Pan, kit.Outputs[hearing.Output - 1].Format == ChannelFormat.Stereo, gain * hearing.Gain);
        return hearing.CornerHz is { } corner
            ? new(hearing.Output, gains, (int)Math.Round(hearing.Metres / MetresASecond * sampleRateHz), Math.Exp(-2 * Math.PI * corner / sampleRateHz))
            : new(hearing.Output, gains);
    }

    private PanGains Gains(double pan, bool stereo, double gain)
    {
        var place = stereo ? PanGains.Mono(pan, law) : new(1, 1);
        return new(gain * place.Left, gain * place.Right);
    }
}
