using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Ideas;

/// <summary>Makes prepared curves of wheels that were moved.</summary>
internal static class IdeaCurves
{
    private const int Modulation = 1, Sustain = 64;

    /// <returns>Edits that show the controllers on the channel and give each its curve over the section.</returns>
    public static IEnumerable<Edit> Of(Channel channel, IdeaWindow window, IEnumerable<PlayedMove> moves)
    {
        var input = channel.NoteInput ?? new();
        var heard = moves.Where(m => !input.KeptOut.Contains(KindOf(m.Controller))).GroupBy(m => m.Controller).OrderBy(g => g.Key)
            .Select(g => (Controller: g.Key, Points: PointsOf(g, window))).Where(g => g.Points.Count >= 2).ToList();
        var hidden = heard.Where(h => input.Controllers.All(c => c.Number != h.Controller)).Select(h => new ShownController(h.Controller, NameOf(h.Controller))).ToList();
        if (hidden.Count > 0)
            yield return new SetNoteInput(channel.Id, input with { Controllers = [.. input.Controllers, .. hidden] });
        foreach (var (controller, points) in heard)
            yield return new PutShape(channel.Id, new(new ControllerTarget(controller), window.Section.Id, points));
    }

    private static NoteMessage KindOf(int controller) => controller switch
    {
        Modulation => NoteMessage.Modulation,
        Sustain => NoteMessage.SustainPedal,
        _ => NoteMessage.OtherControllers,
    };

    // MIDI 1.0, controller numbers.
    private static string NameOf(int controller) => controller switch
    {
        Modulation => "Modulation wheel",
        2 => "Breath",
        4 => "Foot pedal",
        7 => "Volume",
        11 => "Expression",
        Sustain => "Sustain pedal",
        _ => $"Controller {controller}",
    };

    /// <summary>In order of place, one a place, and no more than a curve holds: those are left out that lie nearest to the line between their neighbours.</summary>
    private static Sequence<ShapePoint> PointsOf(IEnumerable<PlayedMove> moves, IdeaWindow window)
    {
        var points = (from move in moves
                      where move.Pass == window.Pass
                      let share = window.Place.TickIn(window.Placed, move.Seconds) / window.Placed.LengthTicks
                      where share is >= 0 and <= 1
                      orderby share
                      select new ShapePoint(share, move.Value)).ToList();
        points = [.. points.GroupBy(p => p.Place).Select(g => g.Last())];
        if (points.Count == 1)
            points.Add(new(points[0].Place < 1 ? 1 : 0, points[0].Value));
        while (points.Count > Shape.MostPoints)
            points.RemoveAt(Enumerable.Range(1, points.Count - 2).MinBy(i => Bend(points[i - 1], points[i], points[i + 1])));
        return points.OrderBy(p => p.Place).ToSequence();
    }

    private static double Bend(ShapePoint before, ShapePoint point, ShapePoint after) =>
        Math.Abs(before.Value + (after.Value - before.Value) * (point.Place - before.Place) / (after.Place - before.Place) - point.Value);
}
