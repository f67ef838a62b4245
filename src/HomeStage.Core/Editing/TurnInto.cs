using HomeStage.Core.Automation;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Makes an instrument of an audio channel, or an audio channel of an instrument. Strip, sends, feeds, curves, place, acts and notes to people stay;
/// what only the one kind has (starters, how it is played, its input, its print) is left behind.</summary>
/// <param name="Kind">Audio or instrument.</param>
/// <param name="Instrument">Id in the catalogue; null for what suits the channel's name. Of no meaning for an audio channel.</param>
public sealed record TurnInto(ChannelId Channel, ChannelKind Kind, string? Instrument = null) : ManyChannelsEdit
{
    protected override ManyResult Change(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var channel))
            return new Refusal.UnknownChannel(Channel);
        if (channel.Kind is not (ChannelKind.Audio or ChannelKind.Instrument) || Kind is not (ChannelKind.Audio or ChannelKind.Instrument))
            return new Refusal.WrongPlace(channel.Name, "stays what it is; audio channels and instruments turn into each other");
        if (channel.Kind == Kind)
            return template;
        if (template.Channels.FirstOrDefault(LeansOnIt) is { } other)
            return new Refusal.WrongPlace(channel.Name, $"is needed as it is by {other.Name}");
        return template.Replace(channel with
        {
            Kind = Kind,
            Source = Kind == ChannelKind.Instrument
                ? ChannelFactory.Make(template, new(Kind) { Name = channel.Name, Role = channel.Role, Instrument = Instrument, Bare = true }).Source
                : null,
            Patterns = [],
            Starters = [],
            NoteInput = null,
            NoteProcessors = [],
            Groove = null,
            PrintTwin = null,
            Shapes = channel.Shapes.Where(s => s.Target is not (InstrumentTarget or ControllerTarget)).ToSequence(),
        });
    }

    /// <summary>By what the one kind alone can give: outputs, notes, a place for a print.</summary>
    private bool LeansOnIt(Channel other) => ChannelReferences.Of(other).Any(r =>
        r.To == Channel && r.Kind is ReferenceKind.SplitOf or ReferenceKind.Plays or ReferenceKind.Layer or ReferenceKind.NoteTrigger or ReferenceKind.Print);
}
