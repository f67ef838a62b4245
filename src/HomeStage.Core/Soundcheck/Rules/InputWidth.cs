using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A mono channel on two hardware inputs, or a stereo one on a single one, as documents from elsewhere may have it.</summary>
public sealed class InputWidth : ISoundcheckRule
{
    public string Id => "input-width";

    public string Group => "Recording";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        let input = channel.Source as InputSource
        where input is not null && (input.Second is null) != (channel.Format == ChannelFormat.Mono)
        select new Finding(Id, Severity.Warning, [channel.Id],
            input.Second is null ? $"{channel.Name} is stereo and takes input {input.First} alone: a side stays empty." : $"{channel.Name} is mono and takes inputs {input.First} and {input.Second}: the second is lost.",
            [new(input.Second is null ? $"Make {channel.Name} mono" : $"Make {channel.Name} stereo", [new TakeInput(channel.Id, input)])]);
}
