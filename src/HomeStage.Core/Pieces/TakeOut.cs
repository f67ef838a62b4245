using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Pieces;

/// <summary>Takes a set piece out of a template again: its channels, and the grooves and levers that came with it and serve nothing else.</summary>
public static class TakeOut
{
    /// <param name="copy">Of a set piece.</param>
    /// <returns>Edits that leave everything else as it is, or what is in the way.</returns>
    public static (Sequence<Edit> Edits, Refusal? Why) Of(Template template, ShelfCopy copy)
    {
        var work = new GatheredEdits(template);
        foreach (var id in copy.Became.Values.Where(Identifier.IsValid).Select(v => new ChannelId(v)).Reverse())
            if (work.Now.Channels.Contains(id) && work.Do([new RemoveChannel(id)]) is { } wrong)
                return ([], wrong);
        foreach (var (inPiece, here) in copy.Became)
        {
            if (PieceNames.GrooveIn(inPiece, here) is { } groove && work.Now.Grooves.Any(g => g.Name == groove) && work.Now.Channels.All(c => c.Groove != groove))
                work.Do([new RemoveGroove(groove)]);
            if (PieceNames.LeverIn(inPiece, here) is { } lever && work.Now.Levers.FirstOrDefault(l => l.Id == lever) is { } moved && moved.Ranges.All(r => !work.Now.Channels.Contains(r.Channel)))
                work.Do([new RemoveLever(lever)]);
        }

        work.Do([new RemoveShelfCopy(copy.Kind, copy.Place)]);
        return (Difference.Between(template, work.Now), null);
    }
}
