using System.Globalization;
using HomeStage.Core.Casting;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Colours;
using HomeStage.Core.Routing;
using HomeStage.Core.Templates;
using HomeStage.Core.Writing;

namespace HomeStage.Server.Api.Views;

/// <summary>A channel as a cast list makes it, in the running order.</summary>
/// <param name="Depth">How deep it stands, from 0.</param>
/// <param name="Strip">Its inserts, in the order of the signal.</param>
/// <param name="About">What it is, in a few words.</param>
/// <param name="Colour">Null for one without a hue.</param>
internal sealed record CastRowView(string Id, string Name, ChannelKind Kind, int Depth, IReadOnlyList<string> Strip, string About, ChannelColour? Colour, CastRowState State)
{
    /// <returns>The main with all under it, then what is a root beside it.</returns>
    public static IReadOnlyList<CastRowView> Of(CastPlan plan)
    {
        var rows = RunningOrder.Of(plan.After);
        var colours = Palette.Of(rows);
        return [.. rows.Select(r => new CastRowView(
            r.Channel.Id.Value, r.Channel.Name, r.Channel.Kind, r.Depth, [.. r.Channel.Inserts.Select(i => i.Title())], Told(plan, r.Channel, r.Feeders), colours.GetValueOrDefault(r.Channel.Id),
            plan.Made.Contains(r.Channel.Id) ? CastRowState.New : plan.Changed.Contains(r.Channel.Id) ? CastRowState.Changed : CastRowState.There))];
    }

    private static string Told(CastPlan plan, Channel channel, int children) => string.Join(", ", new List<string>
    {
        channel.Source switch
        {
            InputSource { Second: { } second } input => string.Create(CultureInfo.InvariantCulture, $"inputs {input.First} and {second}"),
            InputSource input => string.Create(CultureInfo.InvariantCulture, $"input {input.First}"),
            InstrumentSource { Kit: { } kit } => string.Create(CultureInfo.InvariantCulture, $"{kit.Pieces.Count} pieces"),
            InstrumentSource played when channel.Kind != ChannelKind.Trigger => played.Title(),
            OutputSource split when plan.After.KitOf(split.Instrument.Value) is { } kit => kit.JacksSaid(split.Output),
            OutputSource split => string.Create(CultureInfo.InvariantCulture, $"output {split.Output}"),
            _ => "",
        },
        channel.Kind is ChannelKind.Bus or ChannelKind.Main ? children == 1 ? "1 channel" : string.Create(CultureInfo.InvariantCulture, $"{children} channels") : "",
        channel.Format == ChannelFormat.Mono && channel.Kind != ChannelKind.Trigger ? "mono" : "",
        channel.Spare ? "waits as a spare" : "",
        channel.Kind == ChannelKind.Return && channel.Sends.Any(s => s.Open) ? $"into {string.Join(" and ", channel.Sends.Where(s => s.Open).Select(s => plan.After.Channels[s.To].Name))}" : "",
        channel.Kind != ChannelKind.Return && channel.Sends.Count(s => !s.Open) is > 0 and var closed ? string.Create(CultureInfo.InvariantCulture, $"{closed} {(closed == 1 ? "send" : "sends")}, closed") : "",
        plan.Rooms.TryGetValue(channel.Id, out var room) ? Room(room) : "",
    }.Where(w => w.Length > 0));

    private static string Room(CastDetails room) => string.Create(CultureInfo.InvariantCulture,
        $"makes room for {room.RoomFor}{(room.RoomDb is { } db ? $", {db:0.#} dB" : "")}{(room.BackQuarters is { } back && NoteWords.Of(back) is { } note ? $", back by {note}" : "")}");
}

/// <summary>How a channel stands to what was there before.</summary>
internal enum CastRowState
{
    There,
    New,
    Changed,
}
