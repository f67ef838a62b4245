using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.TestKit;

/// <summary>Small templates with known sound, for tests.</summary>
public static class Stages
{
    public const string InMix = "mix";

    /// <summary>An empty stage of one bar of 4/4 at 120: two seconds.</summary>
    public static Template OneBar(params Edit[] edits) =>
        With(EmptyStage.Create("One bar") with { Timeline = new(120, new(4, 4), [new("song", "Song", 1)]) }, edits);

    /// <exception cref="InvalidOperationException">The edits are refused; the message says why.</exception>
    public static Template With(this Template template, params Edit[] edits) => Batch.Apply(template, edits) switch
    {
        BatchResult.Applied applied => applied.Template,
        BatchResult.Refused refused => throw new InvalidOperationException($"Edit {refused.EditIndex}: {refused.Why.Sentence}"),
        _ => throw new InvalidOperationException("A batch is applied or refused."),
    };

    public static Refusal RefusalOf(this Template template, params Edit[] edits) =>
        ((BatchResult.Refused)Batch.Apply(template, edits)).Why;

    public static AddChannel Bus(string id, string feeds, params Insert[] strip) => new(new()
    {
        Id = new(id),
        Name = $"Bus {id}",
        Kind = ChannelKind.Bus,
        Destination = new(feeds),
        Inserts = strip.ToSequence(),
    });

    public static AddChannel Return(string id, string feeds, params Insert[] strip) => new(new()
    {
        Id = new(id),
        Name = $"Return {id}",
        Kind = ChannelKind.Return,
        Destination = new(feeds),
        Inserts = strip.ToSequence(),
    });

    /// <summary>An instrument that plays a sine of 1 kHz at −6 dBFS all through the bar.</summary>
    public static AddChannel Tone(string id, string feeds, ChannelFormat format = ChannelFormat.Stereo, params Insert[] strip) => new(new()
    {
        Id = new(id),
        Name = $"Tone {id}",
        Kind = ChannelKind.Instrument,
        Destination = new(feeds),
        Format = format,
        Inserts = strip.ToSequence(),
        Source = new InstrumentSource(InstrumentCatalogue.KeyTone) { Settings = Map<double>.Empty.With("tone-hz", 1000).With("level-db", -6) },
        Patterns = [new("Held", 4 * Ticks.PerQuarter, [new(0, 4 * Ticks.PerQuarter, 60, 100)], [])],
    });

    /// <summary>A trigger that plays a sine of 100 Hz at 0 dBFS for a sixteenth on each quarter.</summary>
    public static AddChannel Trigger(string id) => new(new()
    {
        Id = new(id),
        Name = $"Trigger {id}",
        Kind = ChannelKind.Trigger,
        Format = ChannelFormat.Mono,
        Source = new InstrumentSource(InstrumentCatalogue.KeyTone) { Settings = Map<double>.Empty.With("tone-hz", 100).With("level-db", 0) },
        Patterns = [new("Quarters", Ticks.PerQuarter, [new(0, Ticks.PerQuarter / 4, 60, 100)], [])],
    });

    public static Insert Insert(string id, string processor, params (string Parameter, double Value)[] settings) => new(new(id), processor)
    {
        Settings = Map<double>.From(settings.Select(s => KeyValuePair.Create(s.Parameter, s.Value))),
    };
}
