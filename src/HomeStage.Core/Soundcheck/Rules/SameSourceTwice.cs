using System.Globalization;
using HomeStage.Core.Editing;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck.Rules;

/// <summary>A channel that sends to the bus that it also feeds: the same sound twice in one sum.</summary>
/// <remarks>Both copies are in time and alike, so their amplitudes add: 20·log10(1 + g) dB for a send of gain g after the
/// fader. Before the fader the send's gain stands against the fader's.</remarks>
public sealed class SameSourceTwice : ISoundcheckRule
{
    public string Id => "same-source-twice";

    public string Group => "Routing";

    public IEnumerable<Finding> Look(Template template, string act) =>
        from channel in template.Channels
        from send in channel.Sends
        where send.Open && send.To == channel.Destination && send.Level.Linear > 0 && channel.Level.Linear > 0
        let ratio = send.Level.Linear / (send.Tap == TapPoint.Pre ? channel.Level.Linear : 1)
        let added = 20 * Math.Log10(1 + ratio)
        let bus = template.Channels[send.To].Name
        select new Finding(Id, Severity.Warning, [channel.Id, send.To],
            string.Create(CultureInfo.InvariantCulture, $"{channel.Name} feeds {bus} and sends to it as well: it is {added:0.0} dB louder there than its fader says."),
            [
                new($"Take the send to {bus} away", [new RemoveSend(channel.Id, send.To)]),
                new("Close the send and keep it", [new PutSend(channel.Id, send with { Open = false })]),
            ]);
}
