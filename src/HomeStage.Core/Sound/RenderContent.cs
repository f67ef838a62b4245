using HomeStage.Core.Compiling;
using HomeStage.Core.Media;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Sound.Tapes;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound;

/// <summary>All that decides what a request sounds like: two that are equal need one render. Names, colours, notes to people and
/// channels that do not lead to the listening point are not part of it.</summary>
public sealed record RenderContent
{
    private RenderContent(Branch listened, ListeningPoint point, InsertId? insert, CountContent? count)
    {
        Count = count;
        Listened = listened;
        Point = point;
        Insert = insert;
    }

    public Branch Listened { get; }

    public ListeningPoint Point { get; }

    public InsertId? Insert { get; }

    /// <summary>What is counted before it; null for nothing.</summary>
    public CountContent? Count { get; }

    /// <param name="request">Must pass its own check.</param>
    public static RenderContent Of(Template template, RenderRequest request, IMediaShelf shelf) => Of(new CompiledTemplate(template), request, shelf);

    /// <param name="request">Must pass its own check.</param>
    public static RenderContent Of(CompiledTemplate compiled, RenderRequest request, IMediaShelf shelf)
    {
        var template = compiled.Template;
        var heard = new HeardGraph(compiled, request);
        var range = RenderRange.Of(template, request);
        var branches = new BranchReader(compiled, request, heard, shelf, range.LeadFrames(template.SampleRateHz) + range.Frames(template.SampleRateHz));
        return new(branches.Of(heard.Graph.Stages[heard.Listened].Channel), request.Point, request.Insert,
            request.IsCounted(template) ? new(CountNotes.Of(request.Heard(template.Timeline)), request.Heard(template.Timeline), CountNotes.Counter(template)?.Source, CountNotes.Counter(template)?.Level ?? default) : null);
    }
}

/// <summary>All that decides what a count sounds like.</summary>
public sealed record CountContent(Sequence<Note> Notes, Timeline Timeline, Source? Source, Decibels Level);
