using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ducking;

/// <summary>One ducker that does what is asked, whichever way it works.</summary>
/// <param name="Edits">Set it so.</param>
/// <param name="Answer">What its detector does then; null where it works by notes, whose curve is exact.</param>
public sealed record AskedDucker(Sequence<Edit> Edits, DuckingAnswer? Answer)
{
    /// <param name="section">Over whose hits it is solved.</param>
    /// <param name="shelf">Where uploaded sound is found; null for none.</param>
    /// <returns>Or what is in the way.</returns>
    /// <exception cref="OperationCanceledException">Cancelled.</exception>
    public static (AskedDucker? Asked, Refusal? Why) Of(
        Template template, string act, PlacedSection section, Ducker ducker, DuckingAsk ask, IMediaShelf? shelf = null, CancellationToken cancellation = default)
    {
        if (ask.Check() is { } wrong)
            return (null, wrong);
        var insert = template.Channels[ducker.Channel].Inserts.First(i => i.Id == ducker.Insert);
        if (ducker.Way == DuckingWay.Notes)
            return ByNotes(ducker, insert, section, ask);
        var (key, why) = KeySignal.Of(template, act, section.Section.Id, ducker.Channel, ducker.Insert, shelf, cancellation);
        if (key is null)
            return (null, why);
        var answer = DuckingSolver.Solve(ask, insert.Settings, insert.Key, key);
        return (new([new SetSettings(ducker.Channel, ducker.Insert, answer.Settings)], answer), null);
    }

    private static (AskedDucker? Asked, Refusal? Why) ByNotes(Ducker ducker, Insert insert, PlacedSection section, DuckingAsk ask)
    {
        if (NoteDucking.Solve(ask, insert.Settings, insert.Trigger ?? NoteTrigger.Plain, section.TempoBpm) is var (settings, trigger))
            return (new([new SetSettings(ducker.Channel, ducker.Insert, settings), new SetTrigger(ducker.Channel, ducker.Insert, trigger)], null), null);
        var length = ProcessorCatalogue.Find(ProcessorCatalogue.Ducker)!.Find("length-quarters")!;
        return (null, new Refusal.OutOfRange("When it is back", ask.BackMs / NoteValue.Milliseconds(1, section.TempoBpm), length.Min, length.Max, "quarter notes"));
    }
}
