using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;

namespace HomeStage.Core.LineChecks;

/// <summary>What a change of a kit's outputs does to its sound: every piece is struck in turn, before and after, through the whole graph to the
/// main output, and one is taken from the other.</summary>
/// <param name="LargestDbfs">Peak of the difference, of both sides; null where there is none at all.</param>
/// <param name="Differing">Pieces whose difference is above <see cref="AlikeDbfs"/>, the largest first, with its peak.</param>
public sealed record NullTest(double? LargestDbfs, Sequence<NullTest.Difference> Differing)
{
    /// <summary>What differs by less sounds alike.</summary>
    public const double AlikeDbfs = -90;

    // Most of a stroke is over by then; what rings longer is heard in the next window, and counts there as well.
    private const double ApartSeconds = 0.8;
    private const double TailSeconds = 2;
    private const double LongestSeconds = 30;

    /// <param name="Dbfs">Peak of the difference while the piece sounded.</param>
    public sealed record Difference(string Piece, double Dbfs);

    public bool SoundsAlike => LargestDbfs is not { } largest || largest <= AlikeDbfs;

    /// <param name="player">An instrument channel with a kit, which is in both.</param>
    public static NullTest Of(Template before, Template after, ChannelId player, string act, IMediaShelf? shelf = null, CancellationToken cancellation = default)
    {
        var pieces = ((InstrumentSource)before.Channels[player].Source!).Kit!.Pieces;
        var apart = Math.Min(ApartSeconds, (LongestSeconds - TailSeconds) / pieces.Count);
        RenderedSound Struck(Template template) => Renderer.Render(
            Audition.OfAll(template, player, [.. pieces.Select(p => p.Note)], apart, 100, apart * pieces.Count + TailSeconds), new(act, null), shelf: shelf, cancellation: cancellation);
        var (one, other) = (Struck(before), Struck(after));
        return Of(one, other, pieces, apart);
    }

    private static NullTest Of(RenderedSound one, RenderedSound other, Sequence<Piece> pieces, double apartSeconds)
    {
        var window = apartSeconds * one.SampleRateHz;
        var peaks = new double[pieces.Count];
        for (var i = 0; i < Math.Min(one.Left.Length, other.Left.Length); i++)
        {
            var difference = Math.Max(Math.Abs(one.Left[i] - other.Left[i]), Math.Abs(one.Right[i] - other.Right[i]));
            var piece = Math.Min((int)(i / window), peaks.Length - 1);
            peaks[piece] = Math.Max(peaks[piece], difference);
        }

        double? Db(double peak) => peak > 0 ? 20 * Math.Log10(peak) : null;
        return new(Db(peaks.Max()), pieces.Zip(peaks).Where(p => Db(p.Second) > AlikeDbfs).OrderByDescending(p => p.Second).Select(p => new Difference(p.First.Name, Db(p.Second)!.Value)).ToSequence());
    }
}
