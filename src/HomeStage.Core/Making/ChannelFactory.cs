using System.Globalization;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Colours;
using HomeStage.Core.Devices;
using HomeStage.Core.Kits;
using HomeStage.Core.Roles;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>The one place in which channels are made: id, name, width, source and place of what was only wished for.</summary>
/// <remarks>What comes of a wish is held against the rules by the edit that puts it into a template.</remarks>
public static class ChannelFactory
{
    public static Channel Make(Template template, ChannelWish wish)
    {
        var can = Capabilities.Of(wish.Kind);
        var kit = wish.SplitOf is { } player && template.Channels.TryGet(player, out var kitPlayer) ? kitPlayer : null;
        if (wish.Kind == ChannelKind.Split && kit is { Source: InstrumentSource { Outputs: { Count: > 0 } outputs } played })
        {
            var number = wish.Output ?? FreeOutput(template, kit.Id, outputs.Count);
            if (number >= 1 && number <= outputs.Count)
                return Named(template, wish, Split(kit, played, number)) with { Destination = wish.Under ?? kit.Destination };
        }

        var source = SourceOf(template, wish);
        return Named(template, wish, new()
        {
            Id = EmptyStage.Main,
            Name = NameOf(wish, source),
            Kind = wish.Kind,
            Format = wish.Format ?? (can.BeginsMono ? ChannelFormat.Mono : ChannelFormat.Stereo),
            Source = source,
            Destination = can.FeedsASum ? wish.Under ?? MixBus(template) : null,
            OutputPair = can.GoesToAnOutput ? 1 : null,
        });
    }

    /// <summary>The channel that takes an output: it feeds what its instrument feeds, in the same acts.</summary>
    /// <param name="number">Number of the output in the kit, in [1, count].</param>
    /// <returns>Under the instrument's id with the number; an id of its own is the caller's to give.</returns>
    public static Channel Split(Channel player, Kit kit, int number) => Split(player, kit.Outputs[number - 1], number) with
    {
        Pan = kit.Outputs[number - 1].Format == ChannelFormat.Mono ? kit.MiddleAt(number) : 0,
    };

    /// <summary>The same with its default strip.</summary>
    public static Channel NewSplit(Template template, Channel player, Kit kit, int number) => DefaultStrips.On(template, Split(player, kit, number));

    private static Channel Split(Channel player, InstrumentSource played, int number) =>
        played.Kit is { } kit ? Split(player, kit, number) : Split(player, played.Outputs[number - 1], number);

    private static Channel Split(Channel player, KitOutput output, int number) => new()
    {
        Id = Numbering.FreshId(string.Create(CultureInfo.InvariantCulture, $"{player.Id}-output-{number}"), _ => false),
        Name = output.Name,
        Kind = ChannelKind.Split,
        Format = output.Format,
        Destination = player.Destination,
        Source = new OutputSource(player.Id, number),
        Stages = player.Stages,
    };

    /// <summary>A bus between channels and what they lead to.</summary>
    /// <param name="around">What will feed it; if all are of one family it has that one's hue, unless its name tells another.</param>
    public static Channel Bus(Template template, string name, ChannelId? destination, IEnumerable<Channel> around) =>
        DefaultStrips.On(template, WithHue(template, new() { Id = FreshId(template, name), Name = name, Kind = ChannelKind.Bus, Destination = destination }, around));

    /// <summary>The audio channel that takes an instrument's print: mixed and routed alike, waiting in the wings of every act.</summary>
    public static Channel PrintTwin(Template template, Channel channel)
    {
        var name = $"{channel.Name[..Math.Min(channel.Name.Length, TextRules.LongestName - 8)]} print";
        return StandIn.For(channel, new()
        {
            Id = Numbering.FreshId($"{channel.Id}-print", template.Channels.Contains),
            Name = template.FreeName(name),
            Kind = ChannelKind.Audio,
            Source = new InternalSource(channel.Id, TapPoint.Pre),
            Stages = Map<StageState>.From(template.Acts.Select(a => KeyValuePair.Create(a.Id, StageState.InTheWings))),
        });
    }

    /// <returns>An id made of a name, which people may meet in a document, unlike all others.</returns>
    public static ChannelId FreshId(Template template, string name) => Numbering.FreshId(Identifier.Of(name, "channel"), template.Channels.Contains);

    /// <returns>The next hardware input after all that are taken, in [1, 128].</returns>
    public static int NextInput(Template template) =>
        Math.Min(template.Channels.Select(c => c.Source).OfType<InputSource>().Select(s => Math.Max(s.First, s.Second ?? 0)).DefaultIfEmpty(0).Max() + 1, InputSource.Last);

    private static Channel Named(Template template, ChannelWish wish, Channel channel)
    {
        var name = wish.Name ?? template.FreeName(channel.Name);
        var made = channel with { Id = FreshId(template, name), Name = name, Role = RoleNames.All.Contains(wish.Role ?? "") ? wish.Role : null, Format = wish.Format ?? channel.Format };
        made = WithHue(template, made);
        return wish.Bare ? made : WithStrip(template, made);
    }

    /// <summary>Common practice: a return whose name tells nothing is a room; without anything on it it would be its senders once more.</summary>
    private static Channel WithStrip(Template template, Channel channel) =>
        channel.Kind == ChannelKind.Return && ChannelRole.Of(channel).Role == "return-bus"
            ? DefaultStrips.On(template, channel with { Role = "reverb" }) with { Role = channel.Role }
            : DefaultStrips.On(template, channel);

    /// <summary>A bus has the hue of its family, or one that is far from those that are taken, unless it takes one from a bus above it. What sums everything has none.</summary>
    private static Channel WithHue(Template template, Channel channel, IEnumerable<Channel>? around = null)
    {
        if (channel.Kind != ChannelKind.Bus || channel.Destination is not { } to || !template.Channels.Contains(to) || DestinationWay.Of(template, channel).Any(id => template.Channels[id].HueDegrees is not null))
            return channel;
        var family = ChannelRole.Of(channel).Family;
        if (family.Length == 0 && around?.Select(c => ChannelRole.Of(c).Family).Distinct().ToList() is [var only])
            family = only;
        return family == "sums" ? channel : channel with { HueDegrees = FamilyHues.Of(family) ?? FamilyHues.Another([.. template.Channels.Select(c => c.HueDegrees).OfType<double>()]) };
    }

    private static Source? SourceOf(Template template, ChannelWish wish) => wish.Kind switch
    {
        ChannelKind.Instrument => Played(template, wish.Instrument ?? FittingInstrument.For(wish.Name, wish.Role), wish.Device),
        ChannelKind.Trigger => Played(template, wish.Instrument ?? InstrumentCatalogue.KeyTone),
        ChannelKind.Direct when wish.Instrument is { } instrument => Played(template, instrument),
        ChannelKind.Direct when (wish.Role ?? RoleReader.Read(wish.Name ?? "").Role) == "count-in" => Played(template, InstrumentCatalogue.CountInTick),
        ChannelKind.Split when wish.SplitOf is { } player => new OutputSource(player, wish.Output ?? 2),
        ChannelKind.Audio when !wish.WithoutInput => new InputSource(wish.Input ?? NextInput(template), wish.Format == ChannelFormat.Stereo ? (wish.Input ?? NextInput(template)) + 1 : null),
        _ => null,
    };

    /// <summary>A kit comes in together on its first output, so that it is heard before anybody splits it.</summary>
    private static InstrumentSource Played(Template template, string instrument, OutsideDevice? device = null)
    {
        var source = new InstrumentSource(instrument, InstrumentCatalogue.Find(instrument)?.Kit?.Together()) { Device = device };
        return device is null && template.FirstPatchOf(instrument) is { } patch ? source with { Settings = patch.Settings, Patch = patch.Name } : source;
    }

    private static string NameOf(ChannelWish wish, Source? source) => (wish.Kind, source) switch
    {
        (ChannelKind.Instrument, InstrumentSource played) => played.Title(),
        (_, InputSource { Second: { } second } input) => string.Create(CultureInfo.InvariantCulture, $"Inputs {input.First}–{second}"),
        (_, InputSource input) => string.Create(CultureInfo.InvariantCulture, $"Input {input.First}"),
        _ => wish.Kind.ToString(),
    };

    private static int FreeOutput(Template template, ChannelId player, int outputs)
    {
        var taken = template.Channels.Select(c => c.Source).OfType<OutputSource>().Where(s => s.Instrument == player).Select(s => s.Output).ToHashSet();
        return Enumerable.Range(2, Math.Max(outputs - 1, 1)).FirstOrDefault(n => !taken.Contains(n), 2);
    }

    /// <summary>Where what has no better place goes: the bus that sums all, else the main.</summary>
    public static ChannelId MixBus(Template template) =>
        (template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Bus && (c.Id == EmptyStage.MixBus || ChannelRole.Of(c).Role == "mix-bus")) ?? template.Main).Id;
}
