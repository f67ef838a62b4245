using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Comparing;

/// <summary>What separates two templates, as edits.</summary>
public static class Difference
{
    private const int MostRounds = 4;

    /// <summary>Edits that turn one template into the other exactly: one for each thing that differs.</summary>
    /// <param name="from">Keeps every rule.</param>
    /// <param name="to">Keeps every rule.</param>
    /// <returns>A batch, empty where nothing differs. A channel that is there in both is changed, not made anew; where it only
    /// stands elsewhere it is moved, and as few are moved as will do.</returns>
    /// <remarks>Edits that lean on each other are put in an order in which each can be applied. Where there is no such order,
    /// the channels that are left are put back whole, by one edit.</remarks>
    public static Sequence<Edit> Between(Template from, Template to)
    {
        var progress = new Progress(from);
        for (var round = 0; round < MostRounds && !progress.Template.Equals(to); round++)
        {
            progress.Take(PartsDifference.Before(progress.Template, to));
            progress.Take(ChannelsDifference.Removed(progress.Template, to));
            foreach (var channel in ChannelsDifference.Missing(progress.Template, to))
                progress.Take([ChannelsDifference.Added(progress.Template, to, channel)]);
            foreach (var move in ChannelsDifference.Moves(progress.Template, to))
                progress.Take([move]);
            progress.Take(to.Channels.Where(c => progress.Template.Channels.Contains(c.Id)).SelectMany(c => ChannelDifference.Between(progress.Template.Channels[c.Id], c)));
            progress.Take(StagesDifference.Between(progress.Template, to, resting: false));
            progress.Take(StagesDifference.Between(progress.Template, to, resting: true));
            progress.Take(PartsDifference.After(progress.Template, to));
        }

        if (!progress.Template.Equals(to))
            progress.Take([ChannelsDifference.Whole(progress.Template, to)]);
        return progress.Edits.ToSequence();
    }

    /// <summary>The template on its way, and the edits that brought it there.</summary>
    private sealed class Progress(Template start)
    {
        public List<Edit> Edits { get; } = [];

        public Template Template { get; private set; } = start;

        /// <summary>Applies what can be applied, again and again, until nothing is left or nothing moves.</summary>
        public void Take(IEnumerable<Edit> wanted)
        {
            var waiting = wanted.ToList();
            int before;
            do
            {
                before = waiting.Count;
                waiting.RemoveAll(TryApply);
            }
            while (waiting.Count > 0 && waiting.Count < before);
        }

        private bool TryApply(Edit edit)
        {
            if (edit.ApplyTo(Template) is not EditResult.Applied applied)
                return false;
            Template = applied.Template;
            Edits.Add(edit);
            return true;
        }
    }
}
