using HomeStage.Core.Ducking;
using HomeStage.Core.LineChecks;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Outside;

/// <summary>The line check as a song: every pad and instrument alone, then every ducker with what it gives way to. Its Standard MIDI File is played in
/// a workstation, its render here says what should have come back.</summary>
/// <param name="Template">The template with the test on its timeline and nothing else; one section a slot, an empty one first.</param>
/// <param name="Slots">In order of time.</param>
/// <param name="Unfired">What the test leaves out.</param>
public sealed record TestSong(Template Template, string Act, IReadOnlyList<TestSlot> Slots, IReadOnlyList<Unfired> Unfired)
{
    public const int MostSlots = 240;

    private const double FiredSeconds = 2.4;
    private const double DuckedSeconds = 3.6;
    private const double HitSeconds = 1.2;
    private const double LeastApartSeconds = 0.6;
    private const double ApartStepSeconds = 0.03;
    private const int ApartSteps = 20;
    private const int Velocity = 100;

    public double LengthSeconds => new TimeMap(Template.Timeline).LengthSeconds;

    public IEnumerable<FiredSlot> Fired => Slots.OfType<FiredSlot>();

    /// <param name="act">What rests in the wings of it is not fired.</param>
    public static TestSong Of(Template template, string act)
    {
        var first = new TimeMap(template.Timeline).Sections[0];
        var clock = new Clock(first.TempoBpm, first.Meter);
        var unfired = new List<Unfired>();
        var drafts = Sources(template, act).Select((s, n) => Fire(clock, s, n)).Concat(Duckers(template, act, unfired).SelectMany(t => Duck(clock, template, t))).ToList();
        unfired.AddRange(LineSource.AllOf(template, act).Where(s => s.Note is null).Select(s => new Unfired(s.Name, "comes in from outside; no note fires it")));
        if (drafts.Count > MostSlots)
            unfired.Add(new($"What comes after {drafts[MostSlots - 1].Name}", $"is more than the {MostSlots} that one test has room for"));
        return Laid(template, act, clock, drafts.Take(MostSlots).ToList(), unfired);
    }

    private static IEnumerable<LineSource> Sources(Template template, string act) =>
        LineSource.AllOf(template, act).Where(s => s.Note is not null && template.Channels[s.Channel].Kind == ChannelKind.Instrument)
            .Concat(template.Channels.Where(c => c.Kind == ChannelKind.Notes && c.Plays.Count > 0 && c.StageIn(act) != StageState.InTheWings).Select(LineSource.Plain));

    private static IEnumerable<DuckerTrial> Duckers(Template template, string act, List<Unfired> unfired)
    {
        var duckers = Ducker.In(template).Where(d => template.Channels[d.Channel].StageIn(act) != StageState.InTheWings).ToList();
        var sources = duckers.Count == 0 ? [] : LineSource.AllOf(template, act).Where(s => s.Note is not null).Select(s => (s, LineCheck.Expected(template, act, s))).ToList();
        foreach (var ducker in duckers)
        {
            var (trial, why) = DuckerTrial.Of(template, act, ducker, sources);
            if (trial is not null)
                yield return trial;
            else
                unfired.Add(new($"The ducker on {template.Channels[ducker.Channel].Name}", why!));
        }
    }

    private static Draft Fire(Clock clock, LineSource source, int number)
    {
        var apart = LeastApartSeconds + ApartStepSeconds * (7 * number % ApartSteps);
        Strike At(double seconds) => new(source.Channel, clock.Note(source.Note!.Value, seconds, Audition.HeldSeconds));
        return new(source.Name, clock.Bars(FiredSeconds), [At(0), At(apart)], (id, start, length) => new FiredSlot(id, source.Name, start, length, source));
    }

    private static IEnumerable<Draft> Duck(Clock clock, Template template, DuckerTrial trial)
    {
        var (name, bars) = (template.Channels[trial.Ducker.Channel].Name, clock.Bars(DuckedSeconds));
        var held = new Strike(trial.Voice.Channel, clock.Note(trial.Voice.Note!.Value, 0, clock.Seconds(bars) - 0.1));
        if (trial.Hit is not { } hit)
        {
            yield return new($"{name} to the beat", bars, [held], (id, start, length) => new DuckedSlot(id, $"{name} to the beat", start, length, trial, start));
            yield break;
        }

        yield return new($"{name} alone", bars, [held], (id, start, length) => new DuckedSlot(id, $"{name} alone", start, length, trial, null));
        var strike = new Strike(hit.Channel, clock.Note(hit.Note!.Value, HitSeconds, Audition.HeldSeconds / 2));
        yield return new($"{name} under {hit.Name}", bars, [held, strike], (id, start, length) => new DuckedSlot(id, $"{name} under {hit.Name}", start, length, trial, start + HitSeconds));
    }

    private static TestSong Laid(Template template, string act, Clock clock, List<Draft> drafts, List<Unfired> unfired)
    {
        var sections = drafts.Select((d, n) => new Section($"fire-{n + 1}", SectionName(n + 1, d.Name), d.Bars)).Prepend(new("fire-0", "000 Silence", 1)).ToSequence();
        var timeline = new Timeline(clock.TempoBpm, clock.Meter, sections);
        var placed = new TimeMap(timeline).Sections.Skip(1).ToList();
        var strikes = drafts.Zip(placed).SelectMany(d => d.First.Strikes.Select(s => (s.Channel, Pattern: new Pattern(d.Second.Section.Id, (int)d.Second.LengthTicks, [], [d.Second.Section.Id]), s.Note)))
            .GroupBy(s => s.Channel).ToDictionary(g => g.Key, g => g.GroupBy(s => s.Pattern.Name).Select(p => p.First().Pattern with { Notes = p.Select(s => s.Note).ToSequence() }).OrderBy(p => p.Name, StringComparer.Ordinal).ToSequence());
        var quiet = Audition.Quiet(template) with { Timeline = timeline, Name = $"{template.Name}, line check" };
        var fired = quiet with { Channels = strikes.Aggregate(quiet.Channels, (all, s) => all.Replace(all[s.Key] with { Patterns = s.Value })) };
        return new(fired, act, [.. drafts.Zip(placed, (d, p) => d.Placed(p.Section.Id, p.StartSeconds, p.LengthSeconds))], unfired);
    }

    private static string SectionName(int number, string name) => TextRules.Cleaned(FormattableString.Invariant($"{number:000} {name}"), TextRules.LongestSection);

    private sealed record Draft(string Name, int Bars, IReadOnlyList<Strike> Strikes, Func<string, double, double, TestSlot> Placed);

    /// <summary>Seconds as the song counts them.</summary>
    private sealed record Clock(double TempoBpm, Meter Meter)
    {
        private double TicksASecond => TempoBpm * Ticks.PerQuarter / 60;

        public int Bars(double atLeastSeconds) => (int)Math.Ceiling(atLeastSeconds / Seconds(1));

        public double Seconds(int bars) => bars * NoteValue.Seconds(Meter.TicksPerBar, TempoBpm);

        public Note Note(int number, double startSeconds, double seconds) => new((int)Math.Round(startSeconds * TicksASecond), Math.Max(1, (int)(seconds * TicksASecond)), number, Velocity);
    }
}
