using HomeStage.Core.Kits;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.LineChecks;

/// <summary>One thing that the line check fires alone.</summary>
/// <param name="Channel">The channel that it is played by or comes in on.</param>
/// <param name="Note">The note that is played, in [0, 127]; null for a hardware input.</param>
public sealed record LineSource(ChannelId Channel, int? Note, string Name)
{
    /// <returns>A source without pieces, struck by a note that gets through.</returns>
    public static LineSource Plain(Channel channel) => new(channel.Id, LetThrough.NoteOf(channel) ?? LetThrough.PlainNote, channel.Name);

    /// <summary>Every piece, instrument and monitored input that runs in an act, in the order of the template.</summary>
    public static IEnumerable<LineSource> AllOf(Template template, string act) =>
        from channel in template.Channels
        where channel.StageIn(act) != StageState.InTheWings
        from source in Of(channel)
        select source;

    private static IEnumerable<LineSource> Of(Channel channel) => channel switch
    {
        { Kind: ChannelKind.Instrument, Source: InstrumentSource { Kit: { } kit } } => kit.Pieces.Select(p => new LineSource(channel.Id, p.Note, p.Name)),
        { Kind: ChannelKind.Instrument or ChannelKind.Direct, Source: InstrumentSource } => [Plain(channel)],
        { Source: InputSource { Monitored: true } } => [new(channel.Id, null, channel.Name)],
        _ => [],
    };

    /// <returns>The piece that the note strikes, or null.</returns>
    internal Piece? PieceIn(Template template) =>
        template.Channels[Channel].Source is InstrumentSource { Kit: { } kit } ? kit.Pieces.FirstOrDefault(p => p.Note == Note) : null;
}
