using HomeStage.Core.Templates;

namespace HomeStage.Core.Striking;

/// <summary>What a template is made of, counted.</summary>
/// <param name="Channels">All, sums and the main among them.</param>
/// <param name="Hidden">Behind the curtain of every act.</param>
/// <param name="Resting">In the wings of every act.</param>
/// <param name="InsertsOff">Inserts that are switched off in every act.</param>
/// <param name="Keys">Sidechain feeds.</param>
public sealed record StrikeCounts(int Channels, int Buses, int Returns, int Splits, int Spares, int Hidden, int Resting, int Muted, int Inserts, int InsertsOff, int Sends, int Keys, int Patterns, int Sounds, int Curves)
{
    public static StrikeCounts Of(Template template)
    {
        var all = template.Channels;
        int Of(ChannelKind kind) => all.Count(c => c.Kind == kind);
        return new(
            all.Count, Of(ChannelKind.Bus), Of(ChannelKind.Return), Of(ChannelKind.Split), all.Count(c => c.Spare),
            all.Count(c => IsEverywhere(template, c, StageState.BehindTheCurtain)), all.Count(c => IsEverywhere(template, c, StageState.InTheWings)), all.Count(c => c.Muted),
            all.Sum(c => c.Inserts.Count), all.Sum(c => c.Inserts.Count(i => i.Off)), all.Sum(c => c.Sends.Count), all.Sum(c => c.Feeds.Count),
            all.Sum(c => c.Patterns.Count), all.Sum(c => c.Starters.Count), all.Sum(c => c.Shapes.Count));
    }

    internal static bool IsEverywhere(Template template, Channel channel, StageState state) => template.Acts.All(a => channel.StageIn(a.Id) == state);
}
