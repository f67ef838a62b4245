using HomeStage.Core.Editing;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Fitting;

/// <summary>How a template or song meets a studio, and what is proposed so that it fits.</summary>
/// <param name="Lines">Inputs, then what shares one, outputs, MIDI devices; each in the order of the template.</param>
/// <param name="Devices">In the order of the template.</param>
public sealed record StudioFit(IReadOnlyList<FitLine> Lines, IReadOnlyList<DeviceFit> Devices)
{
    /// <summary>Everything that is proposed, as one batch; none where it fits.</summary>
    public Sequence<Edit> Proposed => Lines.SelectMany(l => l.ProposedEdits).ToSequence();

    public static StudioFit Of(Template template, Studio studio)
    {
        var inputs = new InputFit(template, studio.Interface).Lines().ToList();
        // What shares an input is told of the inputs as they will be.
        var after = Batch.Apply(template, inputs.SelectMany(l => l.ProposedEdits).ToSequence()) is BatchResult.Applied applied ? applied.Template : template;
        return new([.. inputs, .. InputFit.Shared(after), .. OutputFit.Lines(template, studio.Interface), .. MidiFit.Lines(template, studio)], DeviceFit.Of(template, studio));
    }
}
