using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>The lines on which a rhythm is set for a channel, in the order in which they stand.</summary>
public static class StepRows
{
    private const int Octave = 12;

    /// <returns>The pieces of a kit by their names; else notes from high to low without names: an octave where such a part plays, and all that its starters
    /// use; one note for a trigger.</returns>
    public static IEnumerable<(int Note, string? Name)> Of(Channel channel)
    {
        if (channel.Source is InstrumentSource { Kit: { } kit })
            return kit.Pieces.Select(p => (p.Note, (string?)p.Name));
        var used = channel.Patterns.SelectMany(p => p.Notes).Select(n => n.Number);
        var lowest = ChannelRole.Of(channel).Family == "bass" ? 36 : 60;
        var usual = channel.Kind == ChannelKind.Trigger ? [lowest] : Enumerable.Range(lowest, Octave + 1);
        return usual.Concat(used).Distinct().OrderDescending().Select(n => (n, (string?)null));
    }
}
