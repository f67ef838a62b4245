using System.Collections;
using System.Reflection;
using FsCheck.Xunit;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Templates;

/// <summary>What a channel refers to is asked of one place, and that place forgets nothing.</summary>
public class ChannelReferencesTests
{
    [Property(MaxTest = 100)]
    public void Of_AnyChannel_GivesEveryIdOfAnotherThatLiesInIt(int seed)
    {
        foreach (var channel in new RandomTemplates(seed).Grown(150).Channels)
            Assert.Equal(IdsIn(channel).Order(), ChannelReferences.Of(channel).Select(r => r.To.Value).Order());
    }

    [Fact]
    public void Kinds_AreAsManyAsThePlacesWhereAChannelCanHoldAnId()
    {
        var places = PlacesIn(typeof(Channel), []).Distinct().Order().ToList();

        // Destination, print, source's two, send, feed, plays, layers, notes of a trigger, and the target of a curve.
        Assert.Equal(Enum.GetValues<ReferenceKind>().Length, places.Count);
        Assert.Equal(Enum.GetValues<ReferenceKind>().Order(), new[] { false, true }.SelectMany(r => ChannelReferences.Of(Everything(r))).Select(r => r.Kind).Distinct().Order());
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Redirected_LeadsEachKindElsewhere_AndLetsEachGo(bool records)
    {
        var channel = Everything(records);
        foreach (var kind in Enum.GetValues<ReferenceKind>().Where(k => ChannelReferences.Of(channel).Any(r => r.Kind == k)))
        {
            var led = ChannelReferences.Redirected(channel, (k, to) => k == kind ? new ChannelId("elsewhere") : to);
            Assert.Equal(
                ChannelReferences.Of(channel).Select(r => r.Kind == kind ? (kind, new ChannelId("elsewhere")) : r).OrderBy(r => (r.Item1, r.Item2.Value)),
                ChannelReferences.Of(led).OrderBy(r => (r.Kind, r.To.Value)));

            var free = ChannelReferences.Redirected(channel, (k, to) => k == kind ? null : to);
            Assert.DoesNotContain(ChannelReferences.Of(free), r => r.Kind == kind);
        }
    }

    [Fact]
    public void Redirected_Nowhere_IsTheSameChannel()
    {
        var channel = Everything();

        Assert.Same(channel, ChannelReferences.Redirected(channel, (_, to) => to));
    }

    [Fact]
    public void Duplicate_OfATriggerWithWhatItDucks_LeavesTheCopyOnTheCopy()
    {
        var ducker = Insert("duck", ProcessorCatalogue.Ducker) with { Trigger = NoteTrigger.Plain with { Notes = [new("pulse")], EveryQuarters = null } };
        var template = OneBar(Bus("drums", "mix-bus"), Trigger("pulse"), new AddInsert(new("drums"), ducker));

        var doubled = template.With(new DuplicateChannels([new("pulse"), new("drums")]));

        var copy = doubled.Channels.Single(c => c.Kind == ChannelKind.Bus && c.Id.Value.StartsWith("drums-", StringComparison.Ordinal));
        var pulse = doubled.Channels.Single(c => c.Kind == ChannelKind.Trigger && c.Id.Value != "pulse");
        Assert.Equal([pulse.Id], copy.Inserts[0].Trigger!.Notes);
        Assert.Equal([new ChannelId("pulse")], doubled.Channels[new ChannelId("drums")].Inserts[0].Trigger!.Notes);
    }

    [Fact]
    public void Split_BroughtOnStage_BringsItsKitOutOfTheWings()
    {
        var kit = InstrumentCatalogue.Find(InstrumentCatalogue.Breakwater)!.Kit!;
        var resting = Map<StageState>.From([KeyValuePair.Create("mix", StageState.InTheWings)]);
        var template = OneBar(
            new AddChannel(new() { Id = new("kit"), Name = "Kit", Kind = ChannelKind.Instrument, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.Breakwater, kit), Stages = resting }),
            new AddChannel(new() { Id = new("kick"), Name = "Kick", Kind = ChannelKind.Split, Destination = EmptyStage.MixBus, Source = new OutputSource(new("kit"), 2), Stages = resting }));

        var staged = template.With(new SetStage(new("kick"), "mix", StageState.OnStage));

        Assert.Equal(StageState.BehindTheCurtain, staged.Channels[new ChannelId("kit")].StageIn("mix"));
    }

    [Fact]
    public void Spare_ThatIsTaken_IsOnStageInEveryAct()
    {
        var template = OneBar(new AddChannel(new()
        {
            Id = new("spare"),
            Name = "Spare",
            Kind = ChannelKind.Audio,
            Destination = EmptyStage.MixBus,
            Spare = true,
            Stages = Map<StageState>.From(EmptyStage.Acts.Select(a => KeyValuePair.Create(a.Id, StageState.InTheWings))),
        }));

        var taken = template.With(new TakeSpare(EmptyStage.MixBus, "Answer", "write")).Channels[new ChannelId("spare")];

        Assert.All(EmptyStage.Acts, act => Assert.Equal(StageState.OnStage, taken.StageIn(act.Id)));
    }

    /// <summary>A channel that could not be, and refers in every way to others.</summary>
    private static Channel Everything(bool records = false) => new()
    {
        Id = new("all"),
        Name = "All",
        Kind = ChannelKind.Audio,
        Destination = new("bus"),
        PrintTwin = new("print"),
        Source = records ? new InternalSource(new("recorded")) : new OutputSource(new("kit"), 2),
        Sends = [new(new("return"), new(0))],
        Feeds = [new(new("ducked"), new("comp"), new(0))],
        Plays = [new("played")],
        NoteInput = new() { Layers = [new("layer")] },
        Inserts = [Insert("duck", ProcessorCatalogue.Ducker) with { Trigger = new([new("notes")], null, []) }],
        Shapes = [new(new SendTarget(new("return")), "song", [new(0, 0), new(1, 0)])],
    };

    private static IEnumerable<string> IdsIn(object? value)
    {
        if (value is ChannelId id)
            return [id.Value];
        if (value is null or string || value.GetType().IsPrimitive || value.GetType().IsEnum)
            return [];
        if (value is IDictionary or IEnumerable)
            return ((IEnumerable)value).Cast<object?>().SelectMany(IdsIn);
        return value.GetType().Namespace?.StartsWith("HomeStage", StringComparison.Ordinal) != true ? []
            : value.GetType().GetProperties(BindingFlags.Public | BindingFlags.Instance)
                .Where(p => p.GetIndexParameters().Length == 0 && !(value is Channel && p.Name == nameof(Channel.Id)) && p.GetMethod!.GetBaseDefinition().DeclaringType!.Assembly == typeof(Channel).Assembly)
                .SelectMany(p => IdsIn(p.GetValue(value)));
    }

    /// <summary>Properties by type and name that hold an id of a channel, anywhere below a type, in every case of a closed family.</summary>
    private static IEnumerable<string> PlacesIn(Type type, HashSet<Type> seen)
    {
        type = Nullable.GetUnderlyingType(type) ?? type;
        if (type.IsGenericType)
            return type.GetGenericArguments().SelectMany(a => PlacesIn(a, seen));
        if (type.Assembly != typeof(Channel).Assembly || type.IsEnum || !seen.Add(type))
            return [];
        var cases = type.IsAbstract ? type.Assembly.GetTypes().Where(t => t.IsSubclassOf(type)) : [type];
        return cases.SelectMany(c => c.GetProperties(BindingFlags.Public | BindingFlags.Instance).Where(p => p.Name != "EqualityContract" && !(c == typeof(Channel) && p.Name == nameof(Channel.Id)))
            .SelectMany(p => HoldsId(p.PropertyType) ? [$"{c.Name}.{p.Name}"] : PlacesIn(p.PropertyType, seen)));
    }

    private static bool HoldsId(Type type) =>
        (Nullable.GetUnderlyingType(type) ?? type) == typeof(ChannelId) || (type.IsGenericType && type.GetGenericArguments().Contains(typeof(ChannelId)));
}
