using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Takes an output off a kit; what leaves by it goes to the first one, and those behind it move up, with their splits.</summary>
/// <param name="Number">From 2: the first one is always there.</param>
public sealed record RemoveKitOutput(ChannelId Channel, int Number) : ManyChannelsEdit
{
    public override bool ChangesRouting => true;

    protected override ManyResult Change(Template template)
    {
        if (!template.Channels.TryGet(Channel, out var player))
            return new Refusal.UnknownChannel(Channel);
        if (player.Source is not InstrumentSource { Kit: { } kit } played)
            return new Refusal.WrongPlace(player.Name, "plays no kit");
        if (!(Number >= 2 && Number <= kit.Outputs.Count))
            return new Refusal.OutOfRange($"An output of {player.Name} that can go", Number, 2, kit.Outputs.Count, "");
        var splits = template.Channels.Where(c => c.Source is OutputSource split && split.Instrument == Channel).ToList();
        if (splits.Find(s => OutputOf(s) == Number) is { } taker)
            return new Refusal.WrongPlace(kit.Outputs[Number - 1].Name, $"is taken by {taker.Name}; take that away first");
        var left = kit.Rewired(l => l.Microphone with { Output = l.Output == Number ? 1 : Moved(l.Output) }) with { Outputs = kit.Outputs.RemoveAt(Number - 1) };
        return splits.Where(s => OutputOf(s) > Number).Aggregate(
            template.Replace(player with { Source = played with { Kit = left } }),
            (after, split) => after.Replace(split with { Source = (OutputSource)split.Source! with { Output = Moved(OutputOf(split)) } }));
    }

    private int Moved(int output) => output > Number ? output - 1 : output;

    private static int OutputOf(Channel split) => ((OutputSource)split.Source!).Output;
}
