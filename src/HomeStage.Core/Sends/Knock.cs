using HomeStage.Core.Catalogue;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sends;

/// <summary>A short knock at full scale, sent to a return that stands alone: its impulse response, through its own strip.</summary>
/// <remarks>A Hann pulse of half a millisecond, level up to some 2 kHz: cuts far above do not change how high it stands. Nothing else plays, so keyed inserts are at rest; duckers by notes are left out.</remarks>
internal static class Knock
{
    private const double LongestSeconds = 16;
    private static readonly string Content = new('0', 64);

    /// <param name="seconds">What is heard of it, at least; at most <see cref="LongestSeconds"/> or a bar more.</param>
    public static RenderedSound On(Template template, string act, PlacedSection section, Channel channel, double seconds, CancellationToken cancellation)
    {
        var bars = (int)Math.Clamp(Math.Ceiling(Math.Min(seconds, LongestSeconds) / (section.LengthSeconds / section.Section.Bars)), ReturnReading.Bars, 999);
        var (alone, knock) = (new ChannelId("knocked-at"), new ChannelId("knock"));
        var empty = EmptyStage.Create(template.Name);
        var stage = empty with
        {
            Acts = template.Acts,
            Key = template.Key,
            SampleRateHz = template.SampleRateHz,
            Timeline = new(section.TempoBpm, section.Meter, [new("knock", "Knock", bars)]),
            Channels = ChannelList.From(
            [
                .. empty.Channels,
                new()
                {
                    Id = alone,
                    Name = channel.Name,
                    Kind = ChannelKind.Return,
                    Format = channel.Format,
                    Destination = EmptyStage.MixBus,
                    Inserts = [.. channel.Inserts.Where(i => i.Processor != ProcessorCatalogue.Ducker)],
                },
                new()
                {
                    Id = knock,
                    Name = "Knock",
                    Kind = ChannelKind.Audio,
                    Destination = EmptyStage.MixBus,
                    Starters = [new("Knock", new(Content, "Knock", template.SampleRateHz, 2, FramesOf(template.SampleRateHz)), Loops: false, new(0), [])],
                    Sends = [new(alone, new(0), TapPoint.Pre)],
                },
            ]),
        };
        return Renderer.Unmetered(new(stage), new(act, alone), shelf: new Pulse(template.SampleRateHz), cancellation: cancellation);
    }

    private static int FramesOf(int sampleRateHz) => sampleRateHz / 2000;

    private sealed class Pulse(int sampleRateHz) : IMediaShelf
    {
        private readonly float[] _lane = [.. Enumerable.Range(0, FramesOf(sampleRateHz)).Select(i => (float)Math.Pow(Math.Sin(Math.PI * (i + 0.5) / FramesOf(sampleRateHz)), 2))];

        public MediaSound? Find(string content) => content == Content ? new([_lane, _lane], sampleRateHz) : null;
    }
}
