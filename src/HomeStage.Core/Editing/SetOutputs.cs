using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Shares the outputs of a kit out anew, and tells its splits which of them they take.</summary>
/// <param name="Channel">The instrument.</param>
/// <param name="Splits">Splits of it that change; the others keep their output's number.</param>
public sealed record SetOutputs(ChannelId Channel, Kit Kit, Sequence<TakenOutput> Splits) : ManyChannelsEdit
{
    public override bool ChangesRouting => true;

    protected override ManyResult Change(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var player))
            return new Refusal.UnknownChannel(Channel);
        if (player.Source is not InstrumentSource { Kit: not null } played)
            return new Refusal.WrongPlace(player.Name, "plays no kit, so it has no outputs to share");
        var after = template.Replace(player with { Source = played with { Kit = Kit } });
        foreach (var taken in Splits)
        {
            if (!after.Channels.TryGet(taken.Split, out var split))
                return new Refusal.UnknownChannel(taken.Split);
            if (split.Source is not OutputSource source || source.Instrument != Channel)
                return new Refusal.WrongPlace(split.Name, $"takes no output of {player.Name}");
            after = after.Replace(split with { Name = taken.Name, Format = taken.Format, Pan = taken.Pan, Source = source with { Output = taken.Output } });
        }

        // A split that was left out may stand beyond the last output now.
        var wrong = KitRules.Check(Kit)
            ?? after.Channels.Where(c => c.Source is OutputSource split && split.Instrument == Channel)
                .Select(c => SourceRules.Check(after, c)).FirstOrDefault(r => r is not null);
        return wrong is null ? after : wrong;
    }
}

/// <summary>The output that a split takes, and what goes with it.</summary>
/// <param name="Output">Number in the kit, from 2.</param>
/// <param name="Pan">In [−1, 1].</param>
public sealed record TakenOutput(ChannelId Split, int Output, string Name, ChannelFormat Format, double Pan);
