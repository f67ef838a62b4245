using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>Where each kind of channel may go.</summary>
internal static class DestinationRules
{
    /// <summary>The highest hardware pair that a template may name.</summary>
    public const int LastPair = 64;

    public static Refusal? Check(Template template, Channel channel)
    {
        var toOutput = Capabilities.Of(channel.Kind).GoesToAnOutput;
        if (channel.OutputName is { } outputName && (!toOutput || TextRules.Name($"The name of the outputs of {channel.Name}", outputName) is not null))
            return toOutput ? new Refusal.BadText($"The name of the outputs of {channel.Name}", 1, TextRules.LongestName) : new Refusal.WrongPlace(channel.Name, "goes to no output, so it has no name for one");
        if (!toOutput && channel.OutputPair is not null)
            return new Refusal.WrongPlace(channel.Name, "does not go to an output by itself; only the main and direct channels do");
        if (toOutput && !(channel.OutputPair is >= 1 and <= LastPair))
            return new Refusal.OutOfRange($"The output pair of {channel.Name}", channel.OutputPair ?? 0, 1, LastPair, "");
        if (channel.Destination is not { } to)
            return null;
        if (WhyRoot(channel.Kind) is { } why)
            return new Refusal.WrongPlace(channel.Name, why);
        if (!template.Channels.TryGet(to, out var target))
            return new Refusal.UnknownChannel(to);
        return Capabilities.Of(target.Kind).Sums
            ? null
            : new Refusal.WrongPlace(channel.Name, $"cannot feed {target.Name}: only a bus or the main sums channels");
    }

    private static string? WhyRoot(ChannelKind kind) => kind switch
    {
        ChannelKind.Main => "is the last sum and feeds an output, not a channel",
        ChannelKind.Direct => "goes around the main, straight to an output",
        ChannelKind.Trigger => "is a trigger: it is never heard and feeds sidechains only",
        ChannelKind.Notes => "makes no sound, so it feeds no bus",
        _ => null,
    };
}
