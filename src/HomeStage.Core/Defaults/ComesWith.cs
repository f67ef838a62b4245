using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Defaults;

/// <summary>What channels that are wished for get by themselves; those that come with the same stand together.</summary>
/// <param name="Names">Of those that come with it, in their order.</param>
/// <param name="Parts">What they get, in the order of the signal; none for bare channels.</param>
public sealed record ComesWith(IReadOnlyList<string> Names, IReadOnlyList<string> Parts)
{
    /// <summary>Most channels that are asked for at once.</summary>
    public const int MostWishes = 128;

    /// <param name="wishes">Made one after the other, so that each takes the next input.</param>
    /// <returns>Or what is in the way of the first that cannot be made.</returns>
    public static (IReadOnlyList<ComesWith>? Groups, Refusal? Why) Of(Template template, Sequence<ChannelWish> wishes)
    {
        if (wishes.Count > MostWishes)
            return (null, new Refusal.OutOfRange("The number of channels", wishes.Count, 0, MostWishes, ""));
        var made = new List<Channel>();
        foreach (var wish in wishes)
        {
            var result = new MakeChannel(wish).ApplyTo(template);
            if (result is not EditResult.Applied applied)
                return (null, ((EditResult.Refused)result).Why);
            template = applied.Template;
            made.Add(template.Channels[^1]);
        }

        // Channels that differ in nothing but the number of their input come with the same.
        var alike = made.GroupBy(c => string.Join('\n', StripSummary.Parts(StripLaying.Of(template, c), [WithoutNumber(c)])));
        return ([.. alike.Select(g => new ComesWith([.. g.Select(c => c.Name)], StripSummary.Parts(StripLaying.Of(template, g.First()), [.. g])))], null);
    }

    private static Channel WithoutNumber(Channel channel) =>
        channel.Source is InputSource input ? channel with { Source = input with { First = 1, Second = input.Second is null ? null : 2 } } : channel;
}
