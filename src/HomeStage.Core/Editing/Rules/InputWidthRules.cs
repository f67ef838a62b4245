using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>A mono channel takes one hardware input, a stereo one two: otherwise one is lost, or a side stays empty.</summary>
/// <remarks>Asked of edits alone: documents from elsewhere may hold such channels, and the soundcheck says so.</remarks>
internal static class InputWidthRules
{
    public static Refusal? Check(Channel channel) =>
        channel.Source is InputSource input && (input.Second is null) != (channel.Format == ChannelFormat.Mono) ? new Refusal.InputWidth(channel.Id, channel.Name, input.Second is not null) : null;
}
