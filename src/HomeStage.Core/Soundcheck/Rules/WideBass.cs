using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Roles;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A stereo bass whose lowest octaves are not in the middle by the time they reach the output.</summary>
/// <remarks>Common practice: mono below a corner of one to a few hundred hertz.</remarks>
public sealed class WideBass : ISoundcheckRule
{
    private const double CornerHz = 120;

    public string Id => "wide-bass";

    public string Group => "Strips";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel is { Format: ChannelFormat.Stereo, Kind: ChannelKind.Instrument or ChannelKind.Audio or ChannelKind.Split, Spare: false } && channel.StageIn(act) != StageState.InTheWings
        where ChannelRole.Of(channel).Role is "bass" or "sub" && !IsNarrowed(template, channel, act)
        select new Finding(Id, Severity.Hint, [channel.Id], $"{channel.Name} is stereo all the way down: its lowest octaves are not kept in the middle.",
        [
            new($"Keep it mono below {CornerHz:0} Hz", [new AddInsert(channel.Id, Narrow(channel), PlaceIn(channel))]),
            .. channel.Source is InputSource ? Array.Empty<Mend>() : [new Mend("Make it mono", [new SetFormat(channel.Id, ChannelFormat.Mono)])],
        ]);

    /// <summary>On its own strip, or on that of any bus that it leads to.</summary>
    private static bool IsNarrowed(Template template, Channel channel, string act)
    {
        var seen = new HashSet<ChannelId>();
        for (var at = channel; seen.Add(at.Id); at = template.Channels[at.Destination!.Value])
        {
            if (at.Format == ChannelFormat.Mono || at.Inserts.Any(i => i.IsLiveIn(template, act) && Narrows(i)))
                return true;
            if (at.Destination is null)
                return false;
        }

        return false;
    }

    private static bool Narrows(Insert insert) => insert is { Processor: ProcessorCatalogue.Image }
        && (insert.Settings.GetValueOrDefault("mono-below", 0) >= 0.5 || insert.Settings.GetValueOrDefault("width-percent", 100) == 0);

    /// <summary>Before the gain stages at the end.</summary>
    private static int PlaceIn(Channel channel) => channel.Inserts.Count - channel.Inserts.Reverse().TakeWhile(i => i.Processor == ProcessorCatalogue.Gain).Count();

    private static Insert Narrow(Channel channel) => new(new(Numbering.FreshId("image", id => channel.Inserts.Any(i => i.Id.Value == id.Value)).Value), ProcessorCatalogue.Image)
    {
        Settings = Map<double>.Empty.With("mono-below", 1).With("mono-below-hz", CornerHz),
    };
}
