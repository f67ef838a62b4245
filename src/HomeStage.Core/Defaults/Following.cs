using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Defaults;

/// <summary>How a channel stands to its default strip.</summary>
/// <param name="For">The scopes whose defaults it gets, the one that says most first; none where there is no default for it.</param>
/// <param name="Differs">What would bring it back, in words; none where it follows.</param>
/// <param name="Back">The edits that bring it back.</param>
public sealed record Following(ChannelId Channel, Sequence<StripScope> For, Sequence<string> Differs, Sequence<Edit> Back)
{
    public bool Follows => For.Count > 0 && Differs.Count == 0;

    public static Following Of(Template template, Channel channel)
    {
        var covering = DefaultStrips.Covering(template, channel);
        if (covering.Count == 0)
            return new(channel.Id, [], [], []);
        var edits = To(template, channel, DefaultStrips.On(template, channel));
        return new(channel.Id, covering.Select(d => d.For).ToSequence(), EditWords.OfBatch(edits, template).ToSequence(), edits.Count == 0 ? [] : [new LayStrip([channel.Id], DefaultStrips.For(template, channel))]);
    }

    /// <summary>Whether it has its default strip; sends that it has besides do not count.</summary>
    public static bool IsUnaltered(Template template, Channel channel) => ReferenceEquals(DefaultStrips.On(template, channel), channel);

    private static List<Edit> To(Template template, Channel channel, Channel laid) => ReferenceEquals(channel, laid)
        ? []
        : [.. Difference.Between(template, template with { Channels = template.Channels.Replace(laid) })];
}
