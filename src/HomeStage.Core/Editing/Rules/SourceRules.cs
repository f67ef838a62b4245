using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What each kind of channel may take its sound from.</summary>
internal static class SourceRules
{
    public static Refusal? Check(Template template, Channel channel) => channel.Source switch
    {
        null => channel.Kind is ChannelKind.Split or ChannelKind.Instrument or ChannelKind.Trigger
            ? new Refusal.WrongPlace(channel.Name, "needs something that sounds: an instrument, or for a split an instrument's output")
            : null,
        InstrumentSource source when Capabilities.Of(channel.Kind).Plays => CheckInstrument(channel, source),
        OutputSource source when channel.Kind is ChannelKind.Split => CheckOutput(template, channel, source),
        InputSource source when Capabilities.Of(channel.Kind).TakesInputs => CheckInput(channel, source),
        InternalSource source when Capabilities.Of(channel.Kind).Records => CheckInternal(template, channel, source),
        _ => new Refusal.WrongPlace(channel.Name, $"is of a kind that cannot take its sound from there"),
    };

    private static Refusal? CheckInstrument(Channel channel, InstrumentSource source)
    {
        if (InstrumentCatalogue.Find(source.Instrument) is not { } kind)
            return new Refusal.Missing("instrument", source.Instrument, "in the catalogue");
        if ((kind.Kit is null) != (source.Kit is null))
            return new Refusal.WrongPlace(kind.Name, kind.Kit is null ? "plays no kit" : "needs a kit of pieces and outputs");
        return (source.Device is { } device ? DeviceRules.Check(device) : null)
            ?? SettingRules.Check(source.Title(), source.Parameters(), source.Settings, source.Device is not null)
            ?? (source.Kit is null ? null : KitRules.Check(source.Kit));
    }

    private static Refusal? CheckOutput(Template template, Channel channel, OutputSource source)
    {
        if (!template.Channels.TryGet(source.Instrument, out var player))
            return new Refusal.UnknownChannel(source.Instrument);
        if (player is not { Kind: ChannelKind.Instrument, Source: InstrumentSource { Outputs: { Count: > 0 } outputs } })
            return new Refusal.WrongPlace(channel.Name, $"cannot split {player.Name}, which has no outputs to split");
        if (!(source.Output >= 1 && source.Output <= outputs.Count))
            return new Refusal.OutOfRange($"The output of {player.Name} that {channel.Name} takes", source.Output, 1, outputs.Count, "");
        return source.Output == 1
            ? new Refusal.WrongPlace(channel.Name, $"cannot take the first output of {player.Name}, which sounds on its own channel")
            : null;
    }

    private static Refusal? CheckInput(Channel channel, InputSource source)
    {
        if (!IsInput(source.First) || (source.Second is { } second && !IsInput(second)))
            return new Refusal.OutOfRange($"The input of {channel.Name}", IsInput(source.First) ? source.Second!.Value : source.First, 1, InputSource.Last, "");
        if (source is { Second: null, SecondName: not null })
            return new Refusal.WrongPlace(channel.Name, "names a second input and takes none");
        return source.First == source.Second
            ? new Refusal.Doubled($"input on {channel.Name}", $"{source.First}")
            : new[] { source.FirstName, source.SecondName }.Select(n => n is null ? null : TextRules.Name($"The name of an input of {channel.Name}", n)).FirstOrDefault(r => r is not null);
    }

    private static Refusal? CheckInternal(Template template, Channel channel, InternalSource source)
    {
        if (!template.Channels.TryGet(source.From, out var from))
            return new Refusal.UnknownChannel(source.From);
        return !Capabilities.Of(from.Kind).Sounds ? new Refusal.WrongPlace(channel.Name, $"cannot record {from.Name}, which makes no sound itself") : null;
    }

    private static bool IsInput(int number) => number is >= 1 and <= InputSource.Last;
}
