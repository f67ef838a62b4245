using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A stereo feed into a key input that takes one signal: both sides are added, and what is apart in them is heard softer or not at all.</summary>
/// <remarks>Devices alone say so: the key inputs of the stand-ins take both sides.</remarks>
public sealed class WideFeed : ISoundcheckRule
{
    public string Id => "wide-feed";

    public string Group => "Sidechains";

    public IEnumerable<Finding> Look(Template template, string act) =>
        KeyFeed.BySource(template, act, f => f.Insert is { Device.Key: KeyWidth.Mono, Key.On: true } && f.From.Format == ChannelFormat.Stereo).Select(of => new Finding(
            Id, Severity.Hint, [of.Key.Id], $"{of.Key.Name} is stereo, and the key input of {of.First().Insert.Device!.Name} on {of.First().To.Name} is mono: both sides are added there.",
            of.Key.Kind == ChannelKind.Trigger ? [new($"Make {of.Key.Name} mono", [new SetFormat(of.Key.Id, ChannelFormat.Mono)])] : []));
}
