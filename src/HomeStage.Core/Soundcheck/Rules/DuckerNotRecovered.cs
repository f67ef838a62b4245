using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Playing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A ducker that as a rule is still down when the next hit comes: the channel never stands where it was mixed.</summary>
/// <remarks>By closed forms: of a drawn curve, and of a compressor that one plain key tone steers. What another key does is measured on the
/// screen of ducking alone.</remarks>
public sealed class DuckerNotRecovered : ISoundcheckRule
{
    private const string Release = "release-ms";
    private const string Length = "length-quarters";
    private const double GapMs = 3;

    public string Id => "ducker-not-recovered";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act)
    {
        var notes = new Lazy<NoteRoute>(() => new(template, act));
        var time = new TimeMap(template.Timeline);
        var tempo = time.Sections[0].TempoBpm;
        var feeds = KeyFeed.In(template, act).ToLookup(f => (f.To.Id, f.Insert.Id));
        var held = new Lazy<ILookup<ChannelId, HeldValue>>(() => HeldValue.Of(template));
        foreach (var channel in template.Channels.Where(c => c.StageIn(act) != StageState.InTheWings))
            foreach (var insert in channel.Inserts.Where(i => i.Device is null && i.IsLiveIn(template, act)))
                if (Standing(template, insert, [.. feeds[(channel.Id, insert.Id)]], notes, time, tempo) is { } stands && stands.BackMs > stands.UsualGapMs + GapMs
                    && held.Value[channel.Id].All(h => !h.Place.StartsWith($"insert/{insert.Id}/", StringComparison.Ordinal)))
                {
                    yield return new(Id, Severity.Hint, [channel.Id], FormattableString.Invariant($"{insert.Title()} on {channel.Name} is back after {stands.BackMs:0} ms, and the next hit usually comes after {stands.UsualGapMs:0} ms."),
                        stands.Sooner is { } sooner ? [new("Back before the next hit", [new SetParameter(channel.Id, insert.Id, sooner.Parameter, sooner.Value)])] : []);
                    break;
                }
    }

    private static Stands? Standing(Template template, Insert insert, KeyFeed[] feeds, Lazy<NoteRoute> notes, TimeMap time, double tempoBpm) => insert switch
    {
        { Processor: ProcessorCatalogue.Ducker } => OfCurve(insert, insert.Trigger ?? NoteTrigger.Plain, UsualGapMs(Restarts.Of(template, notes.Value, time, insert.Trigger ?? NoteTrigger.Plain)), tempoBpm),
        { Processor: ProcessorCatalogue.Compressor, Key.On: true } when feeds is [{ From: { Kind: ChannelKind.Trigger, Muted: false, Inserts.Count: 0, Source: InstrumentSource tone } from } feed] && KeyTone.Is(tone) && KeyTone.EndsAtOnce(tone)
            => OfCompressor(insert, tone, feed.Feed, notes.Value.Of(from), UsualGapMs(notes.Value.Of(from).Select(n => n.StartSeconds))),
        _ => null,
    };

    /// <summary>The curve is near rest for good where its last point above that has passed.</summary>
    private static Stands? OfCurve(Insert insert, NoteTrigger trigger, double? gapMs, double tempoBpm)
    {
        var depth = insert.Kind().Value(insert.Settings, "depth-db");
        if (gapMs is not { } gap || depth < 1)
            return null;
        var share = DuckerLaw.NearRestDb(depth) / depth;
        var last = trigger.Curve.LastOrDefault(p => p.Value > share);
        if (last is null)
            return null;
        var next = trigger.Curve.FirstOrDefault(p => p.Place > last.Place);
        var place = next is null ? 1 : last.Place + (next.Place - last.Place) * (last.Value - share) / (last.Value - next.Value);
        var quarterMs = NoteValue.Milliseconds(1, tempoBpm);
        var backMs = place * insert.Kind().Value(insert.Settings, Length) * quarterMs;
        return new(backMs, gap - DuckerLaw.GlideMs, Held(insert, Length, (gap - DuckerLaw.GlideMs - GapMs) / place / quarterMs));
    }

    /// <summary>Tone, hold, and a release that is exponential in dB: t = tone + hold + τ·ln(D/r), where D = (1 − 1/R)·(L − T).</summary>
    private static Stands? OfCompressor(Insert insert, InstrumentSource tone, SidechainFeed feed, IReadOnlyList<PlacedNote> notes, double? gapMs)
    {
        double Value(string id) => insert.Kind().Value(insert.Settings, id);
        if (gapMs is not { } gap || feed.Tap != TapPoint.Pre || feed.Level.IsSilence || insert.Key is { LowCutHz: not null } or { HighCutHz: not null } || Value("mix-percent") < 100)
            return null;
        var depth = (1 - 1 / Value("ratio")) * (KeyTone.LevelDb(tone) + feed.Level.Value - Value("threshold-db"));
        if (depth < 1)
            return null;
        var until = KeyTone.LengthMs(tone, notes.Average(n => n.EndSeconds - n.StartSeconds) * 1000) + Value("hold-ms");
        var times = Math.Log(depth / DuckerLaw.NearRestDb(depth));
        return new(until + Value(Release) * times, gap, Held(insert, Release, (gap - GapMs - until) / times));
    }

    /// <summary>On the step below; null where it lies under the range.</summary>
    private static (string Parameter, double Value)? Held(Insert insert, string parameter, double value)
    {
        var range = insert.Kind().Find(parameter)!;
        var stepped = Math.Floor(value / range.Step) * range.Step;
        return stepped >= range.Min && stepped <= range.Max ? (parameter, Math.Round(stepped, 4)) : null;
    }

    /// <summary>The middle one of all that lie between two hits; null where there are not two.</summary>
    private static double? UsualGapMs(IEnumerable<double> hitSeconds)
    {
        List<double> hits = [.. hitSeconds.Select(s => Math.Round(s, 5)).Distinct().Order()];
        List<double> gaps = [.. hits.Zip(hits.Skip(1), (a, b) => (b - a) * 1000).Order()];
        return gaps.Count == 0 ? null : gaps[gaps.Count / 2];
    }

    /// <param name="Sooner">What brings it back in time; null where nothing in the range does.</param>
    private sealed record Stands(double BackMs, double UsualGapMs, (string Parameter, double Value)? Sooner);
}
