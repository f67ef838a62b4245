using System.Xml.Linq;
using HomeStage.Core.Automation;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Colours;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using static HomeStage.Formats.DawProject.ProjectValue;

namespace HomeStage.Formats.DawProject;

/// <summary>The running order as nested tracks: what feeds a bus stands inside of it, what feeds the main beside it.</summary>
internal static class TrackElements
{
    /// <param name="act">What rests in it is not loaded, what is parked in it switched off.</param>
    public static XElement Of(Template template, string act)
    {
        var structure = new XElement("Structure");
        var rows = RunningOrder.Of(template);
        var colours = Palette.Of(rows);
        var tracks = new Dictionary<ChannelId, XElement>();
        foreach (var row in rows)
        {
            var track = Track(template, row, act, colours.GetValueOrDefault(row.Channel.Id)?.Night);
            tracks[row.Channel.Id] = track;
            if (row.Channel.Destination is { } under && under != template.Main.Id)
                tracks[under].Add(track);
            else if (row.Channel.Kind != ChannelKind.Main)
                structure.Add(track);
        }

        structure.Add(tracks[template.Main.Id]);
        return structure;
    }

    private static XElement Track(Template template, RunningOrderRow row, string act, string? colour)
    {
        var channel = row.Channel;
        // The main holds nothing: what feeds it stands beside it.
        var holds = row.Feeders > 0 && channel.Kind != ChannelKind.Main;
        return new("Track",
            colour is null ? null : new XAttribute("color", colour), new XAttribute("contentType", ContentOf(channel, holds)), new XAttribute("id", ProjectIds.Track(channel.Id)),
            new XAttribute("loaded", Truth(channel.StageIn(act) != StageState.InTheWings)), new XAttribute("name", channel.Name),
            channel.Note.Length == 0 ? null : new XAttribute("comment", ProjectText.Of(channel.Note)),
            channel.Kind == ChannelKind.Notes ? null : ChannelOf(template, channel, act));
    }

    private static string ContentOf(Channel channel, bool holds) => channel.Kind switch
    {
        ChannelKind.Bus => "tracks",
        ChannelKind.Instrument or ChannelKind.Notes or ChannelKind.Trigger => holds ? "notes tracks" : "notes",
        ChannelKind.Direct when channel.Source is InstrumentSource => "notes",
        _ => holds ? "audio tracks" : "audio",
    };

    private static XElement ChannelOf(Template template, Channel channel, string act) => new("Channel",
        new XAttribute("audioChannels", channel.Format == ChannelFormat.Mono ? 1 : 2),
        channel.Destination is { } to ? new XAttribute("destination", ProjectIds.Channel(to)) : null,
        new XAttribute("id", ProjectIds.Channel(channel.Id)),
        new XAttribute("role", channel.Kind switch { ChannelKind.Main => "master", ChannelKind.Bus => "submix", ChannelKind.Return => "effect", _ => "regular" }),
        Devices(template, channel, act),
        new XElement("Mute", new XAttribute("value", Truth(channel.Muted))),
        ProjectValue.Pan.Element("Pan", ProjectIds.Pan(channel.Id), channel.Pan, -1, 1),
        channel.Sends.Count == 0 ? null : new XElement("Sends", channel.Sends.Select(s => SendOf(channel, s))),
        Volume.Element("Volume", ProjectIds.Volume(channel.Id), StoredValue.Of(channel, new LevelTarget())!.Value, Scales.SilenceDb, Core.Values.Decibels.FaderTop.Value));

    private static XElement? Devices(Template template, Channel channel, string act)
    {
        var played = (channel.Source as InstrumentSource)?.Device is { } device ? DeviceElements.Plugin(device, "instrument", ProjectIds.Instrument(channel.Id), new XElement("Enabled", new XAttribute("value", "true"))) : null;
        var devices = new[] { played }.Concat(channel.Inserts.Select(i => DeviceElements.Of(template, channel, i, act))).OfType<XElement>().ToList();
        return devices.Count == 0 ? null : new("Devices", devices);
    }

    /// <summary>A closed send stands there, turned down.</summary>
    private static XElement SendOf(Channel channel, Send send) => new("Send",
        new XAttribute("destination", ProjectIds.Channel(send.To)), new XAttribute("type", send.Tap == TapPoint.Pre ? "pre" : "post"),
        Volume.Element("Volume", ProjectIds.Send(channel.Id, send.To), send.Open ? Math.Max(send.Level.Value, Scales.SilenceDb) : Scales.SilenceDb, Scales.SilenceDb, Core.Values.Decibels.FaderTop.Value));
}
