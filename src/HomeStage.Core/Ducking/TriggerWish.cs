using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Notes;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ducking;

/// <summary>What a new trigger strikes with.</summary>
/// <param name="EveryQuarters">In (0, 64]; where nobody's notes are meant.</param>
/// <param name="LateQuarters">How much after that it strikes, in [0, <paramref name="EveryQuarters"/>): half of it is off the beat.</param>
/// <param name="With">An instrument with whose notes it strikes; null for beats.</param>
public sealed record TriggerWish(double EveryQuarters = 1, double LateQuarters = 0, ChannelId? With = null)
{
    /// <summary>As long as a 64th at 120: a part's own notes may be of any length.</summary>
    private const double ToneMs = 30;

    /// <summary>Which of the notes, by MIDI number: some pieces of a kit; none for all of them.</summary>
    public Sequence<int> Numbers { get; init; } = [];

    /// <summary>What it is called; null for what it strikes with: the one piece, or the part.</summary>
    public string? Name { get; init; }

    /// <returns>What is wrong with it, or null.</returns>
    public Refusal? Check(Template template) =>
        !(EveryQuarters is > 0 and <= 64) ? new Refusal.OutOfRange("How often the trigger strikes", EveryQuarters, 0, 64, "quarter notes")
        : !(LateQuarters >= 0 && LateQuarters < EveryQuarters) ? new Refusal.OutOfRange("How late the trigger strikes", LateQuarters, 0, EveryQuarters, "quarter notes")
        : With is not { } id ? null
        : !template.Channels.TryGet(id, out var played) ? new Refusal.UnknownChannel(id)
        : played.Kind is ChannelKind.Instrument ? null
        : new Refusal.WrongPlace(played.Name, "is no instrument, so a trigger cannot be played along with it");

    /// <summary>A trigger that nobody hears, behind the curtain in every act: a plain key tone on its beats, or layered with the part whose notes it strikes with.</summary>
    /// <returns>Its id, and the edits that make it.</returns>
    public (ChannelId Id, IReadOnlyList<Edit> Edits) Made(Template template)
    {
        var played = With is { } id ? template.Channels[id] : null;
        var made = ChannelFactory.Make(template, new(ChannelKind.Trigger) { Name = Name ?? (played is null ? null : $"{Struck(played)} trigger") });
        made = made with { Stages = Map<StageState>.From(template.Acts.Select(a => KeyValuePair.Create(a.Id, StageState.BehindTheCurtain))) };
        if (played is null)
            return (made.Id, [new AddChannel(made with { Patterns = [Beats()] })]);
        made = made with
        {
            NoteProcessors = Numbers.Count > 0 ? [new ChosenNotes(Numbers)] : [],
            Source = made.Source is InstrumentSource tone ? tone with { Settings = tone.Settings.With("hold-ms", ToneMs) } : made.Source,
        };
        var input = played.NoteInput ?? new();
        return (made.Id, [new AddChannel(made), new SetNoteInput(played.Id, input with { Layers = input.Layers.Append(made.Id).ToSequence() })]);
    }

    private Pattern Beats()
    {
        var length = Math.Max(1, (int)Math.Round(EveryQuarters * Ticks.PerQuarter));
        var late = Math.Min(length - 1, (int)Math.Round(LateQuarters * Ticks.PerQuarter));
        return new(late > 0 ? "Off the beat" : "Every beat", length, [new(late, Math.Min(BeatStrokes.ToneTicks, length - late), 60, 100)], []);
    }

    /// <summary>The piece of a kit, where one alone strikes; else the part.</summary>
    private string Struck(Channel played)
    {
        var piece = Numbers.Count == 1 && played.Source is InstrumentSource { Kit: { } kit } ? kit.Pieces.FirstOrDefault(p => p.Note == Numbers[0]) : null;
        var name = piece?.Name ?? played.Name;
        return name[..Math.Min(name.Length, TextRules.LongestName - 8)];
    }
}
