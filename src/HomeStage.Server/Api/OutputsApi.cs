using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Kits;
using HomeStage.Core.LineChecks;
using HomeStage.Core.Outputs;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>The outputs of multi-output instruments: plans, swaps and the line check.</summary>
internal static class OutputsApi
{
    private static readonly OneAtATime Gate = new();

    /// <param name="Pieces">1 to 128, names without doubles.</param>
    /// <param name="Outputs">In [1, 64]; pairs where jacks are used by pairs or halves.</param>
    public sealed record PlansRequest(Sequence<PlanPiece> Pieces, int Outputs, JackUse Use = JackUse.Pairs);

    /// <param name="Outputs">Outputs that the instrument has for splits: pairs where it has pairs.</param>
    /// <param name="InPairs">Whether they come as pairs.</param>
    /// <param name="Parts">What leaves by the outputs: the pieces, or the microphones at them, and the far ones, by index.</param>
    /// <param name="Order">Those as they stand in the family tree, by index.</param>
    /// <param name="Now">The outputs as they are.</param>
    /// <param name="Plans">By ascending number of outputs; none where more pieces keep an output to themselves than there are.</param>
    /// <param name="WeightPercent">What the template takes of a core as it is, in the act asked for.</param>
    /// <param name="Sources">What the line check fires on this instrument.</param>
    /// <param name="Aside">Its splits that are put aside.</param>
    /// <param name="PinsSay">That what was said of places leaves fewer plans than there are outputs; null where it does not.</param>
    public sealed record OutputsView(
        int Outputs, bool InPairs, IReadOnlyList<PartView> Parts, IReadOnlyList<int> Order, IReadOnlyList<OutputLine> Now, IReadOnlyList<PlanView> Plans, double WeightPercent, IReadOnlyList<LineSource> Sources,
        IReadOnlyList<AsideView> Aside, string? PinsSay);

    /// <param name="Lines">What it carried.</param>
    /// <param name="Words">What is on its strip: "2 inserts, 1 send".</param>
    public sealed record AsideView(ChannelId Id, string Name, Sequence<string> Lines, string Words);

    /// <param name="LargestDbfs">Peak of the difference; null for none at all.</param>
    /// <param name="Differing">Pieces that do not sound alike, the largest difference first.</param>
    public sealed record NullTestView(bool SoundsAlike, double? LargestDbfs, Sequence<NullTest.Difference> Differing)
    {
        public static NullTestView Of(NullTest test) => new(test.SoundsAlike, test.LargestDbfs, test.Differing);
    }

    /// <param name="Edits">The batch whose sound is held against what is there.</param>
    public sealed record NullTestRequest(string Act, Sequence<Edit> Edits);

    /// <param name="Piece">Name of the piece that it stands at; null for a far microphone.</param>
    /// <param name="Note">What plays it, in [0, 127]; null for a far microphone.</param>
    public sealed record PartView(string Name, string Family, string? Piece, int? Note, Microphone Microphone);

    /// <param name="LikenessPercent">How far what sounds alike stays apart; 100 only where nothing shares.</param>
    /// <param name="Lines">The outputs as they would be.</param>
    /// <param name="Edits">The batch that applies it; none where it is like that already.</param>
    /// <param name="Words">What the batch does, one sentence an edit, and what detectors hear otherwise then.</param>
    /// <param name="WeightPercent">What the template would take of a core.</param>
    public sealed record PlanView(int Outputs, int LikenessPercent, IReadOnlyList<OutputLine> Lines, IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, double WeightPercent);

    /// <param name="Number">In the kit, from 1.</param>
    /// <param name="JackLabel">"3–4".</param>
    /// <param name="Pieces">By index.</param>
    /// <param name="Channel">What takes it: a split, or for the first the instrument itself; null for nothing.</param>
    /// <param name="IsNew">Whether that channel is not there yet.</param>
    public sealed record OutputLine(int Number, string Name, string JackLabel, ChannelFormat Format, IReadOnlyList<int> Pieces, ChannelId? Channel, bool IsNew);

    /// <param name="Places">Every channel that was heard, with its peak.</param>
    /// <param name="Missing">Channels that it was to be heard on and was not.</param>
    /// <param name="Twice">Where one microphone is heard close on more than one channel.</param>
    public sealed record LineView(LineSource Source, LineVerdict Verdict, Sequence<LinePlace> Places, Sequence<ChannelId> Missing, Sequence<ChannelId> Twice);

    /// <summary>What the kit is given more of, as it begins.</summary>
    /// <param name="More">By name of a piece, that piece with one microphone more.</param>
    /// <param name="Fewer">By name of a microphone's line, its piece without it; only where others stand at the piece.</param>
    public sealed record DraftsView(Piece Piece, FarMicrophone Far, KitOutput Output, IReadOnlyDictionary<string, Piece> More, IReadOnlyDictionary<string, Piece> Fewer);

    public sealed record LineRequest(string Act, ChannelId Channel, int? Note);

    public static void MapOutputPlans(this RouteGroupBuilder api) =>
        api.MapPost("/output-plans", Results<Ok<IReadOnlyList<OutputPlan>>, ProblemHttpResult> (PlansRequest asked) =>
            OutputPlanner.Plans(asked.Pieces, asked.Outputs, asked.Use) switch
            {
                PlanResult.Planned planned => TypedResults.Ok<IReadOnlyList<OutputPlan>>(planned.Plans),
                PlanResult.Refused refused => Problems.Refused(refused.Why),
                _ => throw new InvalidOperationException("A plan is made or refused."),
            }).WithTags("Outputs");

    public static void MapOutputs(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/outputs/{channel}", async Task<Results<Ok<OutputsView>, ProblemHttpResult>> (
            string id, string channel, string act, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : SplitKit.Of(document.Template, channel) is not { Kit: var kit } ? Problems.NotFound("kit")
            : View(document.Template, new(channel), kit, act));
        group.MapGet("/{id}/outputs/{channel}/drafts", async Task<Results<Ok<DraftsView>, ProblemHttpResult>> (string id, string channel, DocumentStore store, CancellationToken cancellation) =>
            (await store.OpenAsync(id, cancellation))?.Template.KitOf(channel) is not { } kit ? Problems.NotFound("kit")
            : TypedResults.Ok(new DraftsView(
                KitDrafts.NewPiece(kit), KitDrafts.NewFar(kit), KitDrafts.NewOutput(kit), kit.Pieces.ToDictionary(p => p.Name, KitDrafts.WithAnotherMicrophone),
                kit.Lines.Where(l => l.Piece?.Microphones.Count > 1).ToDictionary(l => l.Name, l => KitDrafts.WithoutMicrophone(l.Piece!, l.Microphone.Name)))));
        group.MapPost("/{id}/outputs/{channel}/null-test", async Task<Results<Ok<NullTestView>, ProblemHttpResult>> (
            string id, string channel, NullTestRequest asked, DocumentStore store, MediaStore media, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != asked.Act) ? Problems.NotFound("act")
            : SplitKit.Of(document.Template, channel) is null ? Problems.NotFound("kit")
            : Batch.Apply(document.Template, asked.Edits) switch
            {
                BatchResult.Applied { Template: var after } when SplitKit.Of(after, channel) is not null =>
                    TypedResults.Ok(NullTestView.Of(await Gate.DoAsync(() => NullTest.Of(document.Template, after, new(channel), asked.Act, media, cancellation), cancellation))),
                BatchResult.Refused refused => Problems.Refused(refused.Why),
                _ => Problems.NotFound("kit after that"),
            });
        group.MapGet("/{id}/line-check", async Task<Results<Ok<IReadOnlyList<LineSource>>, ProblemHttpResult>> (string id, string act, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document
                ? TypedResults.Ok<IReadOnlyList<LineSource>>([.. LineSource.AllOf(document.Template, act)])
                : Problems.NotFound("document"));
        group.MapPost("/{id}/line-check", async (string id, LineRequest asked, DocumentStore store, MediaStore media, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document ? await FireAsync(document.Template, asked, media, cancellation) : Problems.NotFound("document"));
    }

    private static Results<Ok<OutputsView>, ProblemHttpResult> View(Template template, ChannelId channel, Kit kit, string act)
    {
        var jacks = KitJacks.Of(kit);
        var lines = kit.Lines;
        // Where more pieces keep an output to themselves than there are, no plan is left, and the outputs are shown all the same.
        IReadOnlyList<OutputPlan> plans = jacks.Outputs > 0 && jacks.Plans(kit) is PlanResult.Planned planned ? planned.Plans : [];
        return TypedResults.Ok(new OutputsView(
            jacks.Outputs, jacks.InPairs, [.. lines.Select(l => new PartView(l.Name, l.Family, l.Piece?.Name, l.Piece?.Note, l.Microphone))], FamilyTree.Order([.. lines.Select(l => l.Family)]), LinesOf(template, channel, template), [.. plans.Select(p => Of(template, channel, p, act))],
            Weight.PercentOf(template, act), [.. LineSource.AllOf(template, act).Where(s => s.Channel == channel)],
            [.. template.Aside.Where(a => a.Instrument == channel && !a.Stays).Select(a => new AsideView(a.Split.Id, a.Split.Name, a.Lines, StripSummary.Of(a.Split)))], PinsSay(kit, jacks, plans.Count)));
    }

    private static string? PinsSay(Kit kit, KitJacks jacks, int plans)
    {
        var possible = Math.Min(jacks.Outputs, kit.Lines.Count);
        var isPinned = kit.Whole.Count > 0 || kit.Lines.Any(l => l.Microphone.Stay != PieceStay.ByPlan || l.Microphone.Together is not null);
        return isPinned && plans > 0 && plans < possible
            ? $"What is kept alone, together or whole leaves {plans} {(plans == 1 ? "plan" : "plans")} of {possible}."
            : null;
    }

    private static PlanView Of(Template template, ChannelId channel, OutputPlan plan, string act)
    {
        var edits = SplitBatch.Of(template, channel, plan);
        var after = Batch.Apply(template, edits) is BatchResult.Applied applied
            ? applied.Template
            : throw new InvalidOperationException("A plan made a batch that does not apply.");
        return new(plan.Outputs, plan.LikenessPercent, LinesOf(after, channel, template), edits, [.. EditWords.OfBatch(edits, template), .. ChangedKeys.Sentences(template, after, channel)], Weight.PercentOf(after, act));
    }

    private static OutputLine[] LinesOf(Template template, ChannelId channel, Template before)
    {
        var kit = ((InstrumentSource)template.Channels[channel].Source!).Kit!;
        var lines = kit.Lines;
        ChannelId? At(int number) => number == 1 ? channel : template.Channels.FirstOrDefault(c => c.Source is OutputSource s && s.Instrument == channel && s.Output == number)?.Id;
        return [.. from number in Enumerable.Range(1, kit.Outputs.Count)
                   let at = At(number)
                   let output = kit.Outputs[number - 1]
                   select new OutputLine(
                       number, output.Name, kit.JackLabel(number), output.Format, [.. lines.Where(l => l.SoundsOn(number)).Select(l => l.Index)],
                       at, at is { } there && !before.Channels.Contains(there))];
    }

    private static async Task<Results<Ok<LineView>, ProblemHttpResult>> FireAsync(Template template, LineRequest asked, MediaStore media, CancellationToken cancellation)
    {
        if (LineSource.AllOf(template, asked.Act).FirstOrDefault(s => s.Channel == asked.Channel && s.Note == asked.Note) is not { } source)
            return Problems.Refused(new Refusal.Missing("source", $"{asked.Channel} {asked.Note}", "that the line check could fire in this act"));
        var row = await Gate.DoAsync(() => LineCheck.Fire(template, asked.Act, source, media, cancellation), cancellation);
        return TypedResults.Ok(new LineView(row.Source, row.Verdict, row.Places, row.Missing, row.Twice));
    }
}
