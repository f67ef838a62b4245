using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Listening;

/// <summary>The notes by which a song is counted in.</summary>
public static class CountNotes
{
    // General MIDI 1, percussion: high and low wood block.
    private const int High = 76, Low = 77;

    private const int Strong = 112, Weak = 84, LengthTicks = Ticks.PerQuarter / 8;

    /// <returns>In order of time, from the start of the count; none where nothing is counted.</returns>
    public static Sequence<Note> Of(Timeline timeline) =>
        timeline.CountIn is { } count
            ? count.Beats(timeline).Select(b => new Note((int)b.Tick, LengthTicks, b.Accent ? High : Low, b.Accent ? Strong : Weak)).ToSequence()
            : [];

    /// <returns>The channel of which the instrument counts: the first that is a count-in by name or by what somebody said; null for none.</returns>
    public static Channel? Counter(Template template) =>
        template.Channels.FirstOrDefault(c => c.Source is InstrumentSource { Kit: null } && ChannelRole.Of(c).Role == "count-in");
}
