using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Comparing;

/// <summary>Where channels stand in the acts.</summary>
internal static class StagesDifference
{
    /// <param name="resting">Whether those that go to the wings are meant, or the others. What comes out of the wings brings
    /// others along, so it goes first; going to the wings touches nobody else.</param>
    public static IEnumerable<Edit> Between(Template before, Template after, bool resting) =>
        from channel in after.Channels
        where before.Channels.Contains(channel.Id)
        let was = before.Channels[channel.Id]
        where !was.Stages.Equals(channel.Stages)
        from act in after.Acts
        let state = channel.StageIn(act.Id)
        where state != was.StageIn(act.Id) && (state == StageState.InTheWings) == resting
        select (Edit)new SetStage(channel.Id, act.Id, state);
}
