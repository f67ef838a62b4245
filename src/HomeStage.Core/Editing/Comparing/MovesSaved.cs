using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Comparing;

/// <summary>How many single edits would rebuild a template from nothing.</summary>
public static class MovesSaved
{
    /// <returns>A channel counts once for being there, and once for each thing in which it is more than bare.</returns>
    public static int Of(Template template) => Difference.Between(EmptyStage.Create(template.Name), template).Sum(Count);

    private static int Count(Edit edit) => edit is AddChannel { Channel: var channel }
        ? 1 + ChannelDifference.Between(new() { Id = channel.Id, Name = channel.Name, Kind = channel.Kind, Format = channel.Format, Destination = channel.Destination, Source = channel.Source }, channel).Count()
        : 1;
}
