using HomeStage.Core.Editing;
using HomeStage.Core.Making;
using HomeStage.Core.Roles;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A take with a strip of its own, under a channel that carries what is chosen of the takes and should have it.</summary>
public sealed class StripOnTake : ISoundcheckRule
{
    private const string Take = "take";

    public string Id => "strip-on-take";

    public string Group => "Strips";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel.Inserts.Count > 0 && channel.StageIn(act) != StageState.InTheWings && ChannelRole.Of(channel).Role == Take
        let carries = channel.Destination is { } to && template.Channels[to] is { Kind: ChannelKind.Bus } bus && bus.Id != ChannelFactory.MixBus(template) ? bus : null
        where carries is not null
        select new Finding(Id, Severity.Hint, [channel.Id, carries.Id], $"{channel.Name} is a take and has a strip of its own; {carries.Name} carries what is chosen, and would hold for every take.",
        [
            .. carries.Inserts.Count > 0 ? Array.Empty<Mend>() : [new Mend($"Give the strip to {carries.Name}", [new LayStrip([carries.Id], new() { Inserts = StripLaying.Of(template, channel).Inserts }), .. Cleared(channel)])],
            new("Take it off the take", Cleared(channel).ToSequence()),
        ]);

    private static IEnumerable<Edit> Cleared(Channel channel) => channel.Inserts.Select(i => (Edit)new RemoveInsert(channel.Id, i.Id));
}
