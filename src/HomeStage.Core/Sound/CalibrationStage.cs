using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound;

/// <summary>The stage on which an instrument's nominal loudness is measured.</summary>
public static class CalibrationStage
{
    private const int Bars = 8;

    /// <returns>Eight bars of 4/4 at 120 in which the instrument plays its phrase.</returns>
    public static Template Of(InstrumentKind kind)
    {
        var notes = kind.CalibrationNotes.Count > 0 ? kind.CalibrationNotes : kind.Kit!.Pieces.Select(p => p.Note).ToSequence();
        var length = (int)(kind.CalibrationQuarters * Ticks.PerQuarter);
        var phrase = notes.Select((number, i) => new Note(i * length, length, number, 100)).ToSequence();
        // Everything leaves by the instrument's own channel; microphones that are not close stay out of it.
        var kit = kind.Kit is { } whole ? whole.Together() with { Far = [] } : null;
        var channel = new Channel
        {
            Id = new("alone"),
            Name = kind.Name,
            Kind = ChannelKind.Instrument,
            Format = ChannelFormat.Mono,
            Destination = new("mix-bus"),
            Source = new InstrumentSource(kind.Id, kit),
            Patterns = [new("Phrase", notes.Count * length, phrase, [])],
        };
        var template = EmptyStage.Create("Calibration") with { Timeline = new(120, new(4, 4), [new("song", "Song", Bars)]) };
        return Batch.Apply(template, [new AddChannel(channel)]) is BatchResult.Applied applied
            ? applied.Template
            : throw new InvalidOperationException($"{kind.Name} cannot be set on a stage.");
    }
}
