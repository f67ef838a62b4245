using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>Which default strip a channel gets.</summary>
public static class DefaultStrips
{
    /// <returns>The defaults that are for such a channel, those that say most first.</returns>
    public static IReadOnlyList<DefaultStrip> Covering(Template template, Channel channel)
    {
        if (template.Defaults.Count == 0)
            return [];
        var role = ChannelRole.Of(channel);
        return [.. template.Defaults.Where(d => d.For.Covers(channel.Kind, role.Role, role.Family)).OrderByDescending(d => d.For.Weight)];
    }

    /// <returns>What they come to together: what the first leaves unsaid is said by the next.</returns>
    public static Strip For(Template template, Channel channel) =>
        Covering(template, channel).Aggregate(new Strip(), (said, next) => said.Over(next.Strip));

    /// <returns>The channel with its default strip; the same object where there is none, or it has it.</returns>
    public static Channel On(Template template, Channel channel) =>
        For(template, channel) is { SaysNothing: false } strip ? StripLaying.On(template, channel, strip) : channel;

    /// <summary>What follows its default goes on following it where there is a return more: who sends to every return sends to the new one as well.</summary>
    /// <param name="before">The template without what is new.</param>
    public static Template KeptUp(Template before, Template after) => before.Channels
        .Where(c => ReferenceEquals(On(before, c), c) && !ReferenceEquals(On(after, c), c))
        .Aggregate(after, (t, c) => t.Replace(On(t, c)));
}
