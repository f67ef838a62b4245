using HomeStage.Core.Editing;
using HomeStage.Core.Roles;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A reference or a count-in that runs through the main, where its inserts change it and its sound ends in the render.</summary>
public sealed class AroundTheMain : ISoundcheckRule
{
    public string Id => "around-the-main";

    public string Group => "Routing";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        where channel.Destination is not null && channel.Kind is ChannelKind.Audio or ChannelKind.Instrument
        let role = ChannelRole.Of(channel)
        where role.Role is "reference" or "count-in" && role.Confidence >= 0.5
        select new Finding(Id, Severity.Warning, [channel.Id],
            $"{channel.Name} is a {(role.Role == "reference" ? "reference" : "count-in")} and runs through {template.Channels[channel.Destination!.Value].Name}; it belongs around the main, straight to an output.",
            Mends(template, channel));

    /// <summary>None where something holds on to what it is now, as the trigger does whose notes it plays.</summary>
    private static Sequence<Mend> Mends(Template template, Channel channel) =>
        Around(template, channel) is var around && around.ApplyTo(template) is EditResult.Applied ? [new("Send it around the main", [around])] : [];

    private static RestoreChannels Around(Template template, Channel channel) => new(
        [new(channel with { Kind = ChannelKind.Direct, Destination = null, OutputPair = template.Main.OutputPair }, null)], []);
}
