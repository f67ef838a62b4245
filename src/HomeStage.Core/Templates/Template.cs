using HomeStage.Core.Automation;
using HomeStage.Core.Kits;
using HomeStage.Core.Notes;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Templates;

/// <summary>A production template: a signal graph with its timeline, ready to be started from. A value; edits make new ones.</summary>
public sealed record Template
{
    /// <summary>1 to 80 characters.</summary>
    public required string Name { get; init; }

    public string Category { get; init; } = "";

    public Sequence<string> Tags { get; init; } = [];

    /// <summary>Prompt notes: up to 4,000 characters.</summary>
    public string Note { get; init; } = "";

    /// <summary>Null while the key waits for the song.</summary>
    public MusicalKey? Key { get; init; }

    /// <summary>Frames a second: 44,100, 48,000, 88,200 or 96,000.</summary>
    public int SampleRateHz { get; init; } = 48000;

    public PanLaw PanLaw { get; init; } = PanLaw.ConstantPower;

    public required Timeline Timeline { get; init; }

    /// <summary>At least one.</summary>
    public required Sequence<Act> Acts { get; init; }

    /// <summary>Findings of the soundcheck that are accepted as intended, by their key, with the reason.</summary>
    public Map<string> Accepted { get; init; } = Map<string>.Empty;

    /// <summary>Sorted by name, which is unique.</summary>
    public Sequence<Groove> Grooves { get; init; } = [];

    /// <summary>Sorted by what they are of, then by name.</summary>
    public Sequence<Patch> Patches { get; init; } = [];

    /// <summary>What came from the shelf, sorted by kind, then by place. A part that is gone may still be told of.</summary>
    public Sequence<ShelfCopy> Copies { get; init; } = [];

    /// <summary>Splits that are put aside, sorted by id.</summary>
    public Sequence<AsideSplit> Aside { get; init; } = [];

    /// <summary>What new channels get by themselves; one a scope, those that say least first.</summary>
    public Sequence<DefaultStrip> Defaults { get; init; } = [];

    /// <summary>By processor or instrument the name of the patch that a new one begins with; one that is gone is passed over.</summary>
    public Map<string> FirstPatches { get; init; } = Map<string>.Empty;

    /// <summary>Sorted by id.</summary>
    public Sequence<Lever> Levers { get; init; } = [];

    /// <summary>How it looks when it opens; null for everything unfolded in the first act.</summary>
    public Opening? Opening { get; init; }

    /// <summary>What it is based on; null for nothing.</summary>
    public Parent? Parent { get; init; }

    /// <summary>Exactly one of kind main.</summary>
    public required ChannelList Channels { get; init; }

    /// <summary>The act in which it is heard at last: the one for mixing, or else the last of the list.</summary>
    public Act FinalAct => Acts.FirstOrDefault(a => a.Id == "mix") ?? Acts[^1];

    public Channel Main => Channels.First(c => c.Kind == ChannelKind.Main);

    /// <summary>The kit that a channel plays; one that goes around the main may play one as well.</summary>
    /// <param name="player">Id of a channel, as somebody sent it.</param>
    /// <returns>Null where there is no such channel, or it plays no kit.</returns>
    public Kit? KitOf(string player) =>
        Identifier.IsValid(player) && Channels.TryGet(new(player), out var channel) && channel.Source is InstrumentSource { Kit: { } kit } ? kit : null;

    /// <returns>The patch that new ones of a processor or instrument begin with; null for the catalogue's own settings.</returns>
    public Patch? FirstPatchOf(string of) =>
        FirstPatches.TryGetValue(of, out var name) ? Patches.FirstOrDefault(p => p.Of == of && p.Name == name) : null;

    internal Template Replace(Channel channel) => this with { Channels = Channels.Replace(channel) };
}
