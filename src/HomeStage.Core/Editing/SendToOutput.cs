using HomeStage.Core.Kits;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Lets pieces or microphones of a kit leave by another output. One that no channel takes yet gets a split, and one that nothing left
/// by is called after what comes.</summary>
/// <param name="Lines">Names of lines of the kit.</param>
/// <param name="Output">Number, from 1.</param>
public sealed record SendToOutput(ChannelId Channel, Sequence<string> Lines, int Output) : KitEdit(Channel)
{
    public override bool ChangesRouting => true;

    protected override KitChange Change(Channel player, Kit kit)
    {
        if (Unknown(player, kit, Lines) is { } unknown)
            return unknown;
        if (!(Output >= 1 && Output <= kit.Outputs.Count))
            return new Refusal.OutOfRange($"An output of {player.Name}", Output, 1, kit.Outputs.Count, "");
        var isFree = Output > 1 && Lines.Count > 0 && kit.Lines.All(l => l.Output != Output);
        var moved = kit.Rewired(l => Lines.Contains(l.Name) ? l.Microphone with { Output = Output, AlsoOnFirst = false } : l.Microphone);
        return isFree ? moved with { Outputs = moved.Outputs.SetItem(Output - 1, moved.Outputs[Output - 1] with { Name = NameOf(kit) }) } : moved;
    }

    protected override Template With(Template template, Channel player, Kit kit)
    {
        if (Output == 1 || SplitsOf(template).Any(s => ((OutputSource)s.Source!).Output == Output))
            return template;
        var made = ChannelFactory.NewSplit(template, player, kit, Output) with { Id = ChannelFactory.FreshId(template, kit.Outputs[Output - 1].Name) };
        var before = SplitsOf(template).LastOrDefault(s => ((OutputSource)s.Source!).Output < Output) ?? player;
        return template with { Channels = template.Channels.Insert(template.Channels.IndexOf(before.Id) + 1, made) };
    }

    private string NameOf(Kit kit) => Lines.Count == 1
        ? Lines[0]
        : FamilyTree.Lowest(kit.Lines.Where(l => Lines.Contains(l.Name)).Select(l => l.Family)) is [.., var family] ? FamilyTree.Spoken(family) : Lines[0];
}
