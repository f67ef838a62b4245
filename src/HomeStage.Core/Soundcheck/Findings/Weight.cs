using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Findings;

/// <summary>What a template takes of one processor core while it plays, by act.</summary>
/// <remarks>The catalogue's measured shares at 48 kHz in stereo, taken in proportion to rate and lanes.</remarks>
public static class Weight
{
    private const double MeasuredAtHz = 48000;

    /// <returns>Percent of one core.</returns>
    public static double PercentOf(Template template, string act) =>
        template.Channels.Where(c => c.StageIn(act) != StageState.InTheWings).Sum(c => PercentOf(template, c, act));

    /// <returns>Percent of one core for one insert.</returns>
    public static double PercentOf(Template template, Channel channel, Insert insert) =>
        insert.Device is { } device ? device.Weight.SharePercent ?? 0 : insert.Kind().SharePercent * Proportion(template, channel);

    /// <summary>What the devices of a template that run in an act take to open, as far as anybody has said; stand-ins open at once.</summary>
    /// <returns>Megabytes, seconds, and how many of them say nothing of one of the two or of their share.</returns>
    public static (double MemoryMegabytes, double LoadSeconds, int Unknown) ToOpen(Template template, string act)
    {
        var devices = HeldDevice.LiveIn(template, act).Select(h => h.Device.Weight).ToList();
        return (devices.Sum(w => w.MemoryMegabytes ?? 0), devices.Sum(w => w.LoadSeconds ?? 0), devices.Count(w => w is { SharePercent: null } or { MemoryMegabytes: null } or { LoadSeconds: null }));
    }

    private static double PercentOf(Template template, Channel channel, string act)
    {
        return OfInstrument(template, channel.Source as InstrumentSource)
            + channel.Inserts.Where(i => i.IsLiveIn(template, act)).Sum(i => PercentOf(template, channel, i));
    }

    private static double OfInstrument(Template template, InstrumentSource? played) => played switch
    {
        null => 0,
        { Device: { } device } => device.Weight.SharePercent ?? 0,
        _ => (InstrumentCatalogue.Find(played.Instrument)?.SharePercent ?? 0) * template.SampleRateHz / MeasuredAtHz,
    };

    private static double Proportion(Template template, Channel channel) =>
        template.SampleRateHz / MeasuredAtHz * (channel.Format == ChannelFormat.Mono ? 0.5 : 1);
}
