using HomeStage.Core.Levels;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>How loud a part of a template arrives at the last sum, alone and without its sends.</summary>
internal static class PieceLevels
{
    /// <param name="own">Channels of the part.</param>
    /// <returns>By what is no part of it and is fed by it: LUFS, by the expected-level prediction in the act for mixing; what is silent is missing.</returns>
    public static Map<double> Of(Template template, IReadOnlySet<ChannelId> own)
    {
        var levels = Map<double>.Empty;
        foreach (var under in template.Channels.Where(c => own.Contains(c.Id) && c.Destination is { } d && !own.Contains(d)).Select(c => c.Destination!.Value).Distinct())
            if (ArrivingBy(template, own, under) is { } lufs)
                levels = levels.With(under.Value, lufs);
        return levels;
    }

    /// <param name="under">What is fed by the channels whose level is asked for.</param>
    /// <returns>Null for silence.</returns>
    public static double? ArrivingBy(Template template, IReadOnlySet<ChannelId> own, ChannelId under)
    {
        var tops = template.Channels.Where(c => own.Contains(c.Id) && c.Destination == under).Select(c => c.Id).ToHashSet();
        bool Sounds(Channel channel)
        {
            var seen = new HashSet<ChannelId>();
            for (var at = channel; seen.Add(at.Id); at = template.Channels[at.Destination!.Value])
                if (tops.Contains(at.Id))
                    return true;
                else if (at.Destination is null)
                    return false;
            return false;
        }

        var heard = template.Channels.Where(c => own.Contains(c.Id) && Sounds(c)).Select(c => c.Id).ToHashSet();
        // What splits take an output of goes on playing, but is not heard by itself.
        var players = template.Channels.Where(c => heard.Contains(c.Id) && c.Source is OutputSource).Select(c => ((OutputSource)c.Source!).Instrument).ToHashSet();
        var alone = template.Channels.Aggregate(template.Channels, (all, c) => all.Replace(
            heard.Contains(c.Id) ? c with { Sends = c.Sends.Where(s => own.Contains(s.To)).ToSequence() }
            : players.Contains(c.Id) ? c with { Muted = true, Sends = [] }
            : c.Kind is ChannelKind.Instrument or ChannelKind.Trigger or ChannelKind.Split || c.Source is not null || c.Starters.Count > 0 ? c with { Muted = true, Sends = [], Feeds = [] }
            : c));
        var whole = template with { Channels = alone };
        return LevelBudget.Of(whole, whole.FinalAct.Id).Levels.FirstOrDefault(l => l.Channel == template.Main.Id)?.ExpectedLufs;
    }
}
