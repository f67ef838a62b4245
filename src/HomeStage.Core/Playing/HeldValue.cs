using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Playing;

/// <summary>A value that something else than its own number holds.</summary>
/// <param name="Place">"level", "pan", "send/hall", "insert/eq/bell-1-db", "instrument/tone-hz", "controller/1".</param>
/// <param name="By">Who holds it, and what typing a number there does, in a sentence.</param>
public sealed record HeldValue(string Place, string By)
{
    /// <summary>Those of every channel, as <see cref="Movement"/> has them: a curve goes before a lever, and the first of two levers before the other.</summary>
    public static ILookup<ChannelId, HeldValue> Of(Template template)
    {
        var sections = template.Timeline.Sections.ToDictionary(s => s.Id, s => s.Name, StringComparer.Ordinal);
        var curves = template.Channels.SelectMany(c => c.Shapes.Where(s => sections.ContainsKey(s.Section)).Select(s => (Key: (Channel: c.Id, s.Target), Section: sections[s.Section])))
            .ToLookup(x => x.Key, x => x.Section);
        var levers = template.Levers.SelectMany(l => l.Ranges.Select(r => (Key: (r.Channel, r.Target), l.Name))).DistinctBy(x => x.Key).ToDictionary(x => x.Key, x => x.Name);
        return curves.Select(c => c.Key).Concat(levers.Keys).Distinct()
            .Where(k => template.Channels.TryGet(k.Channel, out var channel) && k.Target.RangeOn(channel) is not null)
            .ToLookup(k => k.Channel, k => new HeldValue(PlaceOf(k.Target), Said([.. curves[k]], levers.GetValueOrDefault(k))));
    }

    private static string PlaceOf(Target target) => target switch
    {
        LevelTarget => "level",
        PanTarget => "pan",
        SendTarget send => $"send/{send.To}",
        InsertTarget insert => $"insert/{insert.Insert}/{insert.Parameter}",
        InstrumentTarget instrument => $"instrument/{instrument.Parameter}",
        ControllerTarget controller => FormattableString.Invariant($"controller/{controller.Number}"),
        _ => throw new ArgumentOutOfRangeException(nameof(target), target, "Not a target that is known."),
    };

    private static string Said(IReadOnlyList<string> sections, string? lever) => (sections.Count, lever) switch
    {
        (0, _) => $"The lever {lever} holds it: what is typed here waits until the lever lets go.",
        (_, null) => $"{Curves(sections)} holds it there: what is typed here holds everywhere else.",
        _ => $"{Curves(sections)} holds it there, and the lever {lever} everywhere else: what is typed here waits until both let go.",
    };

    private static string Curves(IReadOnlyList<string> sections) => $"A curve over {string.Join(" and over ", sections)}";
}
