using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>Sends and sidechain feeds end at something that takes them.</summary>
internal static class ConnectionRules
{
    public static Refusal? Check(Template template, Channel channel) =>
        channel.Sends.Select(s => CheckSend(template, channel, s)).FirstOrDefault(r => r is not null)
        ?? channel.Feeds.Select(f => CheckFeed(template, channel, f)).FirstOrDefault(r => r is not null)
        ?? Doubles.Check(channel.Sends.Select(s => s.To.Value), $"send on {channel.Name} to")
        ?? Doubles.Check(channel.Feeds.Select(f => $"{f.Channel}/{f.Insert}"), $"feed on {channel.Name} to");

    private static Refusal? CheckSend(Template template, Channel channel, Send send)
    {
        if (!template.Channels.TryGet(send.To, out var target))
            return new Refusal.UnknownChannel(send.To);
        if (!Capabilities.Of(channel.Kind).Sends)
            return new Refusal.WrongPlace(channel.Name, channel.Kind == ChannelKind.Main ? "is the last sum, so it has no sends" : "is never heard, so it has no sends");
        if (!Capabilities.Of(target.Kind).TakesSends)
            return new Refusal.WrongPlace(channel.Name, $"cannot send to {target.Name}: only a return or a bus takes sends");
        return CheckLevel($"The send from {channel.Name} to {target.Name}", send.Level);
    }

    private static Refusal? CheckFeed(Template template, Channel channel, SidechainFeed feed)
    {
        if (!template.Channels.TryGet(feed.Channel, out var target))
            return new Refusal.UnknownChannel(feed.Channel);
        if (target.Inserts.FirstOrDefault(i => i.Id == feed.Insert) is not { } insert)
            return new Refusal.UnknownInsert(target.Name, feed.Insert);
        if (!insert.TakesKey())
            return new Refusal.WrongPlace($"{insert.Title()} on {target.Name}", "has no key input");
        return CheckLevel($"The feed from {channel.Name} to {target.Name}", feed.Level);
    }

    private static Refusal? CheckLevel(string what, Decibels level) =>
        level > Decibels.FaderTop ? new Refusal.OutOfRange(what, level.Value, double.NegativeInfinity, 6, "dB") : null;
}
