namespace HomeStage.Core.Templates;

/// <summary>An insert that waits for something.</summary>
/// <param name="For">What it waits for.</param>
/// <param name="IsIdle">Whether it is idle because of that; one that waits for the song's key works once there is one.</param>
public sealed record Waiting(ChannelId Channel, InsertId Insert, WaitsFor For, bool IsIdle)
{
    /// <returns>Every one, in the template's order.</returns>
    public static IEnumerable<Waiting> In(Template template) =>
        from channel in template.Channels
        from insert in channel.Inserts
        where insert.WaitsFor is not null
        select new Waiting(channel.Id, insert.Id, insert.WaitsFor!, insert.IsIdle(template));
}
