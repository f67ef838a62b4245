using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Making;

/// <summary>Where a new channel is proposed to go.</summary>
/// <param name="Under">The sum that it would feed; null for kinds that feed none.</param>
/// <param name="First">That sum itself, where it is not there yet and has to be added first.</param>
/// <param name="Before">The channel before which it stands there, so that it is the next after the chosen one; null for the end.</param>
public sealed record NewPlace(ChannelId? Under, Sequence<Channel> First, ChannelId? Before = null)
{
    private const string BusOfReturns = "Returns";
    private const string Instruments = "instruments";

    /// <summary>What is mixed together, by family: what is not named here, as a bass or a guitar, goes with any instrument.</summary>
    private static readonly Dictionary<string, string> Companies = new(StringComparer.Ordinal) { ["drums"] = "drums", ["percussion"] = "drums", ["voices"] = "voices" };

    /// <param name="chosen">What the person has chosen; null for nothing.</param>
    /// <param name="names">What the new ones are called, as far as that is said.</param>
    /// <returns>A part goes into the bus that is chosen, unless that is another company's: no voice goes among the drums. Another bus goes
    /// beside it, a return goes where returns meet: the first one gets a bus for them.</returns>
    public static NewPlace Of(Template template, ChannelKind kind, ChannelId? chosen, params IReadOnlyCollection<string> names)
    {
        if (kind != ChannelKind.Return)
        {
            var beside = Beside(template, kind, chosen);
            return At(template, kind, chosen, beside is { } sum && kind != ChannelKind.Bus ? Among(template, kind, sum, chosen, names) : beside);
        }

        if (ForReturns(template) is { } there)
            return At(template, kind, chosen, there);
        var bus = ChannelFactory.Make(template, new(ChannelKind.Bus) { Name = BusOfReturns });
        return new(bus.Id, [bus]);
    }

    private static NewPlace At(Template template, ChannelKind kind, ChannelId? chosen, ChannelId? under) =>
        new(under, [], under is { } sum && chosen is { } id && template.Channels.TryGet(id, out var channel) && channel.Destination == sum ? NextTo(template, kind, channel) : null);

    /// <summary>A machine and its splits stand together; a new split finds its place by its number.</summary>
    private static ChannelId? NextTo(Template template, ChannelKind kind, Channel chosen)
    {
        if (kind == ChannelKind.Split)
            return null;
        var machine = MachineOf(chosen);
        var beside = template.Channels.Where(c => c.Destination == chosen.Destination).ToList();
        return beside.Skip(beside.FindLastIndex(c => MachineOf(c) == machine) + 1).FirstOrDefault()?.Id;
    }

    /// <returns>Itself, for what is no split.</returns>
    private static ChannelId MachineOf(Channel channel) => channel.Source is OutputSource split ? split.Instrument : channel.Id;

    private static ChannelId? Beside(Template template, ChannelKind kind, ChannelId? chosen)
    {
        if (!Capabilities.Of(kind).FeedsASum)
            return null;
        if (chosen is { } id && template.Channels.TryGet(id, out var channel) && (kind == ChannelKind.Bus || !IsAboutReturns(channel)))
        {
            var isTop = channel.Destination is null;
            if (Capabilities.Of(channel.Kind).Sums && (kind != ChannelKind.Bus || isTop))
                return channel.Id;
            if (channel.Destination is { } beside)
                return beside;
        }

        return ChannelFactory.MixBus(template);
    }

    /// <summary>Out of the buses of other companies; then, or where a part of another or nothing is chosen, into the bus of their own if all are of one.</summary>
    private static ChannelId Among(Template template, ChannelKind kind, ChannelId beside, ChannelId? chosen, IReadOnlyCollection<string> names)
    {
        var families = names.Select(n => ChannelRole.Of(new() { Id = beside, Name = n, Kind = kind }).Family).Where(f => f.Length > 0).Distinct().ToList();
        var isAtHand = chosen is { } id && template.Channels.TryGet(id, out var neighbour) && IsAtHand(neighbour, families);
        var at = template.Channels[beside];
        while (FamilyOf(at) is { } there && families.Exists(f => CompanyOf(f) != CompanyOf(there)) && at.Destination is { } up)
            at = template.Channels[up];
        return isAtHand && at.Id == beside ? beside : (HomeOf(template, families) ?? at).Id;
    }

    /// <returns>Whether it is a sum, or a part that is mixed with those of these families as far as its name tells.</returns>
    private static bool IsAtHand(Channel chosen, List<string> families) =>
        Capabilities.Of(chosen.Kind).Sums || ChannelRole.Of(chosen).Family is not { Length: > 0 } own || families.Count == 0 || families.Exists(f => CompanyOf(f) == CompanyOf(own));

    /// <returns>The first bus of the family, else of its company; null for none, or where they are of several.</returns>
    private static Channel? HomeOf(Template template, List<string> families)
    {
        var company = families.Select(CompanyOf).Distinct().ToList() is [var only] ? only : null;
        return template.Channels.Where(b => FamilyOf(b) is { } family && (families is [var own] && family == own || CompanyOf(family) == company && company != Instruments))
            .OrderBy(b => families.Contains(FamilyOf(b)!) ? 0 : 1).FirstOrDefault();
    }

    private static string CompanyOf(string family) => Companies.GetValueOrDefault(family, Instruments);

    /// <returns>Null for what is no bus of one family.</returns>
    private static string? FamilyOf(Channel channel) =>
        channel.Kind == ChannelKind.Bus && ChannelRole.Of(channel).Family is { Length: > 0 } family and not ("sums" or "returns") ? family : null;

    /// <summary>The bus of the returns, else where those that are there go: an effect is heard beside the parts that send to it, not within one of their buses.</summary>
    /// <returns>Null before there are any.</returns>
    private static ChannelId? ForReturns(Template template) =>
        template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Bus && IsAboutReturns(c))?.Id
        ?? template.Channels.FirstOrDefault(c => c.Kind == ChannelKind.Return)?.Destination;

    private static bool IsAboutReturns(Channel channel) => channel.Kind is ChannelKind.Return || (channel.Kind is ChannelKind.Bus && ChannelRole.Of(channel).Role == "return-bus");
}
