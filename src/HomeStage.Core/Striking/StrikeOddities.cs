using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Striking;

/// <summary>What is worth a look in a template that was struck: it stays as it is.</summary>
internal static class StrikeOddities
{
    public static IEnumerable<StrikeLine> In(Template struck, Template song)
    {
        foreach (var channel in struck.Channels)
        {
            foreach (var (part, why) in Of(struck, channel))
                yield return new($"odd/{channel.Id}/{part}", StrikeGroup.Odd, [channel.Id], channel.Name, why, 1, Goes: false, MayTurn: false);
            if (song.Channels.TryGet(channel.Id, out var was) && channel.Name != was.Name && struck.FreeName(TakeName.Read(was.Name).Stem, channel.Id) != channel.Name)
                yield return new($"odd/{channel.Id}/name", StrikeGroup.Odd, [channel.Id], channel.Name, $"it was {was.Name}, and another channel bears its name", 1, Goes: false, MayTurn: false);
        }
    }

    private static IEnumerable<(string Part, string Why)> Of(Template struck, Channel channel)
    {
        if (channel.Kind is ChannelKind.Audio or ChannelKind.Instrument or ChannelKind.Bus && ChannelRole.Of(channel).Role == RoleNames.Unknown)
            yield return ("role", "its name does not tell what it is for");
        if (channel.Muted)
            yield return ("muted", "it is muted, and stays so");
        if (StrikeCounts.IsEverywhere(struck, channel, StageState.InTheWings) && !struck.IsPrintChannel(channel))
            yield return ("resting", "it rests in the wings of every act, and stays there");
        if (channel.Inserts.Count(i => i.Off) is > 0 and var off)
            yield return ("off", off == 1 ? "one of its inserts is switched off, and stays so" : $"{off} of its inserts are switched off, and stay so");
        if (channel.Kind == ChannelKind.Bus && channel.Destination == struck.Main.Id && !struck.Channels.Any(c => c.Destination == channel.Id || c.Sends.Any(s => s.To == channel.Id)))
            yield return ("empty", "nothing goes into it");
        if (GoesPastTheBuses(struck, channel))
            yield return ("past", "it goes straight to the main, past every bus");
    }

    /// <summary>Where most others go through a bus.</summary>
    private static bool GoesPastTheBuses(Template struck, Channel channel)
    {
        bool IsSource(Channel c) => c.Kind is ChannelKind.Audio or ChannelKind.Instrument or ChannelKind.Split;
        return IsSource(channel) && channel.Destination == struck.Main.Id
            && struck.Channels.Where(IsSource).ToList() is var sources && sources.Count(c => c.Destination == struck.Main.Id) * 2 < sources.Count;
    }
}
