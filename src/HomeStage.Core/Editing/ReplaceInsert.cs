using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing;

/// <summary>Puts another processor in the place of an insert, as new ones of it begin. Its place, its acts, what it waits for and its notes stay; so do
/// the feeds into its key where the other has one too, and the curves on controls that both have. Curves on others wait, loose, for it to come back.</summary>
/// <param name="Processor">Id in the processor catalogue.</param>
public sealed record ReplaceInsert(ChannelId Channel, InsertId Insert, string Processor) : InsertEdit(Channel, Insert)
{
    public override bool ChangesRouting => true;

    protected override EditResult ChangeInsert(Template template, Channel channel, int place)
    {
        var was = channel.Inserts[place];
        if (ProcessorCatalogue.Find(Processor) is not { } kind)
            return new Refusal.Missing("processor", Processor, "in the catalogue");
        if (was.Processor == Processor && was.Device is null)
            return new EditResult.Applied(template, new ParkInsert(Channel, Insert, was.ParkedIn));
        var made = new Insert(was.Id, Processor)
        {
            ParkedIn = was.ParkedIn,
            WaitsFor = was.WaitsFor,
            Notes = Map<string>.From(was.Notes.Where(n => n.Key.Length == 0 || kind.Find(n.Key) is not null)),
            Key = kind.HasKey && was.TakesKey() ? was.Key : null,
            KeptForAutomation = was.KeptForAutomation && Processor == ProcessorCatalogue.Gain,
        };
        var now = template.FirstPatchOf(Processor) is { } patch ? patch.On(made) : made;
        var after = template.Replace(channel with { Inserts = channel.Inserts.SetItem(place, now) });
        var feeders = kind.HasKey ? [] : after.Channels.Where(c => c.Feeds.Any(EndsHere)).ToList();
        after = feeders.Aggregate(after, (t, c) => t.Replace(c with { Feeds = c.Feeds.Where(f => !EndsHere(f)).ToSequence() }));
        var touched = feeders.Select(c => c.Id).Append(Channel).Distinct().Select(id => new PlacedChannel(template.Channels[id], null));
        return new EditResult.Applied(after, new RestoreChannels(touched.ToSequence(), []));
    }

    private bool EndsHere(SidechainFeed feed) => feed.Channel == Channel && feed.Insert == Insert;
}
