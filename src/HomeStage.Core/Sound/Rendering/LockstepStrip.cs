using HomeStage.Core.Sound.Kernels;
using HomeStage.Core.Sound.Processors;
using HomeStage.Core.Strips;

namespace HomeStage.Core.Sound.Rendering;

/// <summary>A strip of plain equalisers and compressors, as it runs in lockstep with others of the same shape.</summary>
/// <param name="Shape">Lanes, then a letter for each insert that does something: strips of one shape run together.</param>
/// <param name="Steps">Those inserts in order, with what they do to each lane: the sections, or the compressor's numbers.</param>
internal sealed record LockstepStrip(string Shape, IReadOnlyList<(InsertAtWork Insert, IReadOnlyList<StateVariable>? Bands, CompressorLane? Compressor)> Steps)
{
    /// <returns>Null where an insert cannot run so, or there is none.</returns>
    public static LockstepStrip? Of(IReadOnlyList<InsertAtWork> strip, int lanes)
    {
        var shape = lanes.ToString(System.Globalization.CultureInfo.InvariantCulture);
        var steps = new List<(InsertAtWork, IReadOnlyList<StateVariable>?, CompressorLane?)>();
        foreach (var insert in strip)
        {
            switch (insert)
            {
                case { IsAlone: true, Processor: PassThrough }:
                    break;
                case { IsAlone: true, Processor: EqualiserProcessor { Plain: { } bands } }:
                    steps.Add((insert, bands, null));
                    shape += 'e';
                    break;
                case { IsAlone: true, Processor: CompressorProcessor { Plain: { } compressor } }:
                    steps.Add((insert, null, compressor));
                    shape += 'c';
                    break;
                default:
                    return null;
            }
        }

        return steps.Count == 0 ? null : new(shape, steps);
    }
}
