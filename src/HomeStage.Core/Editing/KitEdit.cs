using HomeStage.Core.Editing.Rules;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>An edit of an instrument's kit. A split that is called as its output is follows the output's name and width.</summary>
public abstract record KitEdit(ChannelId Channel) : ManyChannelsEdit
{
    protected sealed override ManyResult Change(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var player))
            return new Refusal.UnknownChannel(Channel);
        if (player.Source is not InstrumentSource { Kit: { } kit } played)
            return new Refusal.WrongPlace(player.Name, "plays no kit");
        var change = Change(player, kit);
        if (change is not KitChange.Changed(var next))
            return ((KitChange.Refused)change).Why;
        var after = template.Replace(player with { Source = played with { Kit = next } });
        foreach (var split in SplitsOf(template))
            if (Following(split, kit, next) is { } follower)
                after = after.Replace(follower);
        after = With(after, after.Channels[Channel], next);
        return SplitsOf(after).Select(s => SourceRules.Check(after, s)).FirstOrDefault(r => r is not null) is { } wrong ? wrong : after;
    }

    protected abstract KitChange Change(Channel player, Kit kit);

    /// <summary>What else the template needs for it.</summary>
    protected virtual Template With(Template template, Channel player, Kit kit) => template;

    protected IEnumerable<Channel> SplitsOf(Template template) => template.Channels.Where(c => c.Source is OutputSource split && split.Instrument == Channel);

    /// <returns>The first of these that is none of the kit's lines, or null.</returns>
    protected static Refusal? Unknown(Channel player, Kit kit, IEnumerable<string> lines)
    {
        var known = kit.Lines.Select(l => l.Name).ToHashSet(StringComparer.Ordinal);
        return lines.Where(l => !known.Contains(l)).Select(l => new Refusal.Missing("piece", l, $"in the kit of {player.Name}")).FirstOrDefault();
    }

    private static Channel? Following(Channel split, Kit before, Kit after)
    {
        var number = ((OutputSource)split.Source!).Output;
        if (number > before.Outputs.Count || number > after.Outputs.Count || before.Outputs[number - 1] == after.Outputs[number - 1])
            return null;
        var (was, now) = (before.Outputs[number - 1], after.Outputs[number - 1]);
        return split with { Name = split.Name == was.Name ? now.Name : split.Name, Format = split.Format == was.Format ? now.Format : split.Format };
    }
}

/// <summary>What came of a change of a kit.</summary>
public abstract record KitChange
{
    public sealed record Changed(Kit Kit) : KitChange;

    public sealed record Refused(Refusal Why) : KitChange;

    public static implicit operator KitChange(Kit kit) => new Changed(kit);

    public static implicit operator KitChange(Refusal why) => new Refused(why);
}
