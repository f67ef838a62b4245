using HomeStage.Core.Catalogue;
using HomeStage.Core.Sound;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sends;

/// <summary>An echo of a return.</summary>
/// <param name="LeftQuarters">Where the left tap stands, in quarter notes.</param>
/// <param name="Crosses">Whether its repeats go from side to side.</param>
/// <param name="FeedbackDb">By how much each repeat is quieter than the one before it; null where nothing goes round.</param>
/// <param name="Repeats">How many come before it is 60 dB quieter: 60 / (−20·log10 f).</param>
/// <param name="Seconds">When the last of them comes.</param>
public sealed record EchoReading(InsertId Insert, double LeftQuarters, double RightQuarters, bool Crosses, double? FeedbackDb, int Repeats, double Seconds);

/// <summary>A reverb of a return.</summary>
/// <param name="AskedSeconds">The decay that is set.</param>
/// <param name="MidSeconds">The decay that it has around 1 kHz, measured on the reverb itself.</param>
public sealed record ReverbReading(InsertId Insert, double AskedSeconds, double MidSeconds);

/// <summary>What a return makes of one short knock at its entrance.</summary>
/// <param name="LeftDb">The largest level at equal distances over two bars, against the loudest of both sides.</param>
/// <param name="RightDb">As many as of the left.</param>
/// <param name="TailSeconds">When what is left of it around 1 kHz is 60 dB down; null where there is no reverb: the repeats say it.</param>
/// <param name="CutsDb">What its equalisers do to third octaves from 20 Hz to 20 kHz.</param>
public sealed record ReturnReading(
    Sequence<EchoReading> Echoes, Sequence<ReverbReading> Reverbs, IReadOnlyList<double> LeftDb, IReadOnlyList<double> RightDb,
    double? TailSeconds, IReadOnlyList<double> CutsDb, double BarSeconds)
{
    /// <summary>Bars that are drawn.</summary>
    public const int Bars = 2;

    /// <summary>Levels are told down to here.</summary>
    public const double FloorDb = -72;

    private const int Points = 360;

    // Enough of it for the slope down to −35 dB.
    private const double TailShare = 0.75;

    /// <param name="act">Id of the act, which says what is live.</param>
    /// <param name="section">Whose tempo and meter count.</param>
    /// <param name="channel">A return.</param>
    /// <exception cref="OperationCanceledException">Cancelled.</exception>
    public static ReturnReading Of(Template template, string act, PlacedSection section, Channel channel, CancellationToken cancellation = default)
    {
        var bar = section.LengthSeconds / section.Section.Bars;
        var live = channel.Inserts.Where(i => i.Device is null && i.IsLiveIn(template, act)).ToList();
        var echoes = live.Where(i => i.Processor == ProcessorCatalogue.Delay).Select(i => EchoOf(i, channel.Format, section.TempoBpm)).ToSequence();
        var reverbs = live.Where(i => i.Processor == ProcessorCatalogue.Reverb).Select(i => ReverbOf(i, template.SampleRateHz)).ToSequence();
        var hasTail = reverbs.Count > 0;
        var knock = Knock.On(template, act, section, channel, Math.Max(Bars * bar, hasTail ? TailShare * (echoes.Sum(e => e.Seconds) + reverbs.Sum(r => r.AskedSeconds)) : 0), cancellation);
        var (left, right) = (Peaks(knock.Left, Bars * bar, template.SampleRateHz), Peaks(knock.Right, Bars * bar, template.SampleRateHz));
        var loudest = left.Concat(right).Max();
        return new(echoes, reverbs, Levels(left, loudest), Levels(right, loudest), hasTail ? TailOf(knock) : null,
            Cuts(live.Where(i => i.Processor == ProcessorCatalogue.Equaliser), template.SampleRateHz), bar);
    }

    private static double? TailOf(RenderedSound knock) =>
        Tail.SecondsToSilence(Tail.MidBand(knock.Left, knock.SampleRateHz), Tail.MidBand(knock.Right, knock.SampleRateHz), knock.SampleRateHz);

    private static IReadOnlyList<double> Cuts(IEnumerable<Insert> equalisers, int sampleRateHz)
    {
        var sections = equalisers.Select(i => EqualiserLaw.Sections(i.Settings, sampleRateHz)).ToList();
        return [.. ThirdOctaveBands.OfHearing.Select(hz => sections.Sum(s => EqualiserLaw.GainDb(s, hz, sampleRateHz)))];
    }

    private static EchoReading EchoOf(Insert insert, ChannelFormat format, double tempoBpm)
    {
        double Value(string id) => insert.Kind().Value(insert.Settings, id);
        var (left, right) = (Value("left-quarters"), format == ChannelFormat.Mono ? Value("left-quarters") : Value("right-quarters"));
        var feedback = Value("feedback-percent") / 100;
        var (repeats, crosses) = (DelayLaw.RepeatsToSilence(feedback), format != ChannelFormat.Mono && Value("ping-pong") >= 0.5);
        // One time round is the longer tap, and both where it goes from side to side.
        var quarters = crosses ? (left + right) * (repeats + 1) / 2 : Math.Max(left, right) * (repeats + 1);
        return new(insert.Id, left, right, crosses, feedback > 0 ? 20 * Math.Log10(feedback) : null, repeats, NoteValue.Milliseconds(quarters, tempoBpm) / 1000);
    }

    private static ReverbReading ReverbOf(Insert insert, int sampleRateHz) =>
        new(insert.Id, insert.Kind().Value(insert.Settings, "decay-s"), Tail.MidDecaySeconds(insert.Settings, sampleRateHz));

    private static float[] Peaks(float[] lane, double seconds, int sampleRateHz)
    {
        var frames = Math.Min(lane.Length, (int)(seconds * sampleRateHz));
        return [.. Enumerable.Range(0, Points).Select(i => Loudest(lane.AsSpan((int)((long)i * frames / Points), Math.Max(1, frames / Points))))];
    }

    private static float Loudest(ReadOnlySpan<float> stretch)
    {
        var most = 0f;
        foreach (var sample in stretch)
            most = Math.Max(most, Math.Abs(sample));
        return most;
    }

    private static double[] Levels(float[] peaks, float loudest) =>
        [.. peaks.Select(p => p > 0 ? Math.Max(FloorDb, Math.Round(20 * Math.Log10(p / loudest), 1)) : FloorDb)];
}
