using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats.Packages;
using HomeStage.Formats.Wave;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Stems: many channels of a template or song as files of their own, by one render.</summary>
internal static class StemsApi
{
    /// <summary>More than a disk should be asked for at once.</summary>
    private const long MostBytes = 8L * 1024 * 1024 * 1024;

    /// <param name="Act">In which they are rendered.</param>
    /// <param name="Seconds">Of the timeline, without a tail.</param>
    /// <param name="LastSum">The sum whose direct feeds add up to what comes into it.</param>
    /// <param name="Channels">What can be a stem, in the running order.</param>
    /// <param name="Counts">Whether it has a count-in or a click that may lead them.</param>
    public sealed record StemPlanView(string Act, double Seconds, int SampleRateHz, string LastSum, IReadOnlyList<StemChoice> Channels, bool Counts);

    /// <param name="Depth">How deep it stands, from 0.</param>
    /// <param name="FeedsTheLastSum">Whether it is one of those that add up to it.</param>
    /// <param name="SilentBecause">Why there would be no sound in it; none where there is some.</param>
    public sealed record StemChoice(ChannelId Id, string Name, int Depth, ChannelKind Kind, ChannelFormat Format, bool FeedsTheLastSum, IReadOnlyList<SilentReason> SilentBecause);

    /// <param name="Act">Null for the one in which it is heard at last.</param>
    /// <param name="Dry">Before inserts, fader and pan; else as it goes on.</param>
    /// <param name="TailSeconds">What is rendered beyond the end, in [0, 30].</param>
    /// <param name="ThroughLastSum">Whether each goes through the strip of the last sum by itself besides; of no meaning for dry ones.</param>
    /// <param name="CountedIn">Whether each begins with the count, as silence, and the clicks are a file of their own; of no meaning where nothing is counted.</param>
    public sealed record NewStems(string Document, Sequence<ChannelId> Channels, WaveDepth Depth, double TailSeconds, bool Dry = false, string? Act = null, bool CountedIn = false, bool ThroughLastSum = false);

    public static void MapStemPlan(this RouteGroupBuilder group) =>
        group.MapGet("/{id}/stems", async Task<Results<Ok<StemPlanView>, ProblemHttpResult>> (string id, string? act, DocumentStore store, StudioDesk desk, RowBook book, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : act is not null && document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : TypedResults.Ok(PlanOf(document.Compiled.In((await desk.OnAsync(cancellation))?.Studio), act ?? document.Template.FinalAct.Id, book)));

    public static void MapStems(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/stems").WithTags("Stems");
        group.MapPost("/", Start);
        group.MapStanding(typeof(JobQueue<StemZip>), "stems");
        group.MapCancel(typeof(JobQueue<StemZip>), "stems");
        group.MapZip(typeof(JobQueue<StemZip>), "stems");
    }

    private static StemPlanView PlanOf(Core.Compiling.CompiledTemplate compiled, string act, RowBook book)
    {
        var template = compiled.Template;
        var able = StemRender.Able(compiled, act).Select(c => c.Id).ToHashSet();
        var last = LastSum(template);
        return new(
            act, new TimeMap(template.Timeline).LengthSeconds, template.SampleRateHz, last.Name,
            [.. book.Of(template).Where(r => able.Contains(r.Channel.Id)).Select(r => new StemChoice(
                r.Channel.Id, r.Channel.Name, r.Depth, r.Channel.Kind, r.Channel.Format, r.Channel.Destination == last.Id, WhySilent.At(compiled.In(act), r.Channel.Id)))],
            new RenderRequest(act) { CountedIn = true }.IsCounted(template));
    }

    /// <summary>The bus that everything goes through before the main, or the main itself.</summary>
    internal static Channel LastSum(Template template) => template.Channels[Core.Making.ChannelFactory.MixBus(template)];

    private static async Task<Results<Accepted<JobView>, ProblemHttpResult>> Start(
        NewStems asked, DocumentStore store, StudioDesk desk, MediaStore media, ScratchFolder folder, JobQueue<StemZip> jobs, CancellationToken cancellation)
    {
        if (await store.OpenAsync(asked.Document, cancellation) is not { } document)
            return Problems.NotFound("document");
        var template = document.Template;
        var act = asked.Act ?? template.FinalAct.Id;
        if (new RenderRequest(act).Check(template) is { } wrong)
            return Problems.Refused(wrong);
        if (!(asked.TailSeconds is >= 0 and <= StemRender.LongestTailSeconds))
            return Problems.Refused(new Refusal.OutOfRange("The tail", asked.TailSeconds, 0, StemRender.LongestTailSeconds, "s"));
        if (asked.Channels.Count == 0)
            return Problems.Refused(new Refusal.Missing("channel", "", "that shall be a stem"));
        var compiled = document.Compiled.In((await desk.OnAsync(cancellation))?.Studio);
        var able = StemRender.Able(compiled, act).Select(c => c.Id).ToHashSet();
        if (asked.Channels.Where(c => !able.Contains(c)).Select(Refusal (c) => template.Channels.TryGet(c, out var there)
            ? new Refusal.WrongPlace(there.Name, "does not lead to the main in this act, so it is no stem")
            : new Refusal.UnknownChannel(c)).FirstOrDefault() is { } unable)
            return Problems.Refused(unable);
        Stem[] stems = [.. asked.Channels.Distinct().Select(c => new Stem(c, asked.Dry ? StemPoint.Input : StemPoint.AfterFader) { Through = asked.ThroughLastSum ? LastSum(template).Id : null })];
        if (StemFiles.Bytes(template, stems, asked.Depth, new TimeMap(template.Timeline).LengthSeconds + asked.TailSeconds) > MostBytes)
            return Problems.Refused(new Refusal.TooMany("bytes of stems", (int)Math.Min(MostBytes, int.MaxValue)));
        var job = jobs.Start($"{document.Id}/{document.Revision}/{act}/{asked.Depth}/{asked.TailSeconds}/{asked.Dry}/{asked.CountedIn}/{asked.ThroughLastSum}/{string.Join(',', stems.Select(s => s.Channel))}", work =>
        {
            var request = new RenderRequest(act) { CountedIn = asked.CountedIn };
            (RenderedSound, int)? count = request.IsCounted(template) ? CountedRender.Clicks(template, template.Timeline, work.Cancellation) : null;
            using var files = new StemFiles(template, stems, asked.Depth, folder.Fresh(), count);
            StemRender.Render(compiled, act, stems, asked.TailSeconds, files, work, media, cancellation: work.Cancellation);
            var zip = folder.NewFile();
            files.Zip(zip, work.Cancellation);
            zip.Flush();
            return new($"{SongPackage.FileName(template.Name)}-stems.zip", zip, files.Cut);
        });
        return JobRoutes.Begun(job?.Standing, "stems");
    }
}
