using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Gives several channels hardware inputs one after the other, two to a stereo one. Whether they are heard and armed stays; what
/// takes no input, or plays an instrument, is passed over.</summary>
/// <param name="First">The first input, in [1, 128].</param>
public sealed record TakeInputs(Sequence<ChannelId> Channels, int First) : ManyChannelsEdit
{
    protected override ManyResult Change(Template template)
    {
        if (Unknown(template, Channels) is { } unknown)
            return unknown;
        var (after, next) = (template, First);
        foreach (var channel in Channels.Distinct().Select(id => template.Channels[id]).Where(Takes))
        {
            var was = channel.Source as InputSource;
            var width = channel.Format == ChannelFormat.Stereo ? 2 : 1;
            after = after.Replace(channel with { Source = new InputSource(next, width == 2 ? next + 1 : null, was?.Monitored ?? false, was?.Armed ?? false) });
            next += width;
        }

        return after;
    }

    private static bool Takes(Channel channel) => Capabilities.Of(channel.Kind).TakesInputs && channel.Source is not InstrumentSource;
}
