using System.Globalization;

namespace HomeStage.Core.Outside;

/// <summary>How an answer came about, in sentences: what is common to all, and what could not be judged.</summary>
internal static class OutsideNotes
{
    public static IEnumerable<string> Of(Reference reference, Placing placing, IReadOnlyList<Placed> placed, CommonGround ground)
    {
        if (placed.Count == 0)
        {
            yield return "No recording could be told to be of one of the channels: say of each which it is.";
            yield break;
        }

        yield return placing.HaveOneStart
            ? string.Create(CultureInfo.InvariantCulture, $"The test begins {placed[0].StartSeconds + ground.LagsSeconds[0]:0.00} s into the recordings.").Replace('-', '−')
            : "The recordings do not begin together, so none can be said to be late as a whole.";
        yield return ground.HaveOneGain && Math.Abs(ground.GainsDb[0]) < 0.05 ? "They are as loud as here."
            : ground.HaveOneGain ? string.Create(CultureInfo.InvariantCulture, $"They are {Math.Abs(ground.GainsDb[0]):0.0} dB {(ground.GainsDb[0] < 0 ? "softer" : "louder")} than here, all together; that is no fault.")
            : "Each was turned up by an amount of its own, so levels are judged within each recording alone.";
        if (!ground.SoundsAreThose)
            yield return "Most of what came back is other sound than here, as where own instruments play: it is judged by whether it is there, not by level, time or polarity.";
        foreach (var cut in placed.Where(p => p.StartSeconds < -1 || p.StartSeconds + reference.Song.LengthSeconds > p.Recording.Seconds + 0.5))
            yield return $"{cut.Recording.Name} does not hold the whole test; what it lacks is not judged.";
    }
}
