namespace HomeStage.Core.Templates.Edits;

/// <summary>Puts a channel on stage, behind the curtain or in the wings for one act.</summary>
public sealed record SetStage(ChannelId Channel, string Act, StageState State) : ChannelEdit(Channel)
{
    protected override EditResult Change(Template template, Channel channel)
    {
        // On stage is the rest state and is not written down, so that equal stages are equal values.
        var stages = State == StageState.OnStage ? channel.Stages.Without(Act) : channel.Stages.With(Act, State);
        return template.Acts.All(a => a.Id != Act)
            ? new Refusal.Missing("act", Act, "in this template")
            : With(template, channel with { Stages = stages }, new SetStage(Channel, Act, channel.StageIn(Act)));
    }
}
