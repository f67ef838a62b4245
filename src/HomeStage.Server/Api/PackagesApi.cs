using HomeStage.Core.Compiling;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Soundcheck.Findings;
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

/// <summary>A song's package: chosen and estimated, made as a job, then taken away.</summary>
internal static class PackagesApi
{
    /// <summary>What stems ring on beyond the end.</summary>
    private const double TailSeconds = 4;

    /// <summary>A render takes about that much of what its weights add up to: two threads, and strips of one shape that are worked through together (measured on two cores).</summary>
    private const double ShareOfWeight = 0.25;

    private static readonly PackagePart[] Usual = [.. Enum.GetValues<PackagePart>().Where(p => p != PackagePart.Stems)];

    /// <param name="Act">The act in which the song is rendered; null for the one in which it is heard at last.</param>
    /// <param name="CountedIn">Whether what the song counts is in its files.</param>
    /// <param name="Parts">What goes in; null for all but the stems.</param>
    public sealed record NewPackage(string Song, string? Act = null, bool CountedIn = false, Sequence<PackagePart>? Parts = null);

    /// <param name="Bytes">Before it is packed.</param>
    /// <param name="Seconds">About how long it takes here; 0 for what is only written.</param>
    /// <param name="Files">How many.</param>
    /// <param name="IsUsual">Whether it goes in unless somebody says otherwise.</param>
    /// <param name="SilentFiles">How many of its files would hold no sound.</param>
    /// <param name="SilentBecause">Why they would not.</param>
    public sealed record PackagePartView(PackagePart Part, long Bytes, double Seconds, int Files, bool IsUsual, int SilentFiles, IReadOnlyList<SilentReason> SilentBecause);

    public static void MapPackagePlan(this RouteGroupBuilder group) =>
        group.MapGet("/{id}/package", async Task<Results<Ok<IReadOnlyList<PackagePartView>>, ProblemHttpResult>> (
            string id, DocumentStore store, StudioDesk desk, Carried carried, StageAround around, RowBook book, CancellationToken cancellation) =>
        {
            if (await store.OpenAsync(id, cancellation) is not { } song)
                return Problems.NotFound("document");
            var contents = new PackageContents(song.Template, [], CallSheetApi.SheetOf(song.Template, book), await around.OfAsync(id, song.Template, cancellation)) { Laid = await carried.OfAsync(song.Template, cancellation) };
            return TypedResults.Ok(PlanOf(song.Compiled.In((await desk.OnAsync(cancellation))?.Studio), contents));
        });

    public static void MapPackages(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/packages").WithTags("Packages");
        group.MapPost("/", Start);
        group.MapStanding(typeof(JobQueue<SongZip>), "package");
        group.MapCancel(typeof(JobQueue<SongZip>), "package");
        group.MapZip(typeof(JobQueue<SongZip>), "package");
    }

    private static IReadOnlyList<PackagePartView> PlanOf(CompiledTemplate compiled, PackageContents contents)
    {
        var (song, act) = (compiled.Template, compiled.Template.FinalAct.Id);
        var (length, stems) = (new TimeMap(song.Timeline).LengthSeconds, StemsOf(compiled, act));
        var rendering = length * Weight.PercentOf(song, act) / 100 * ShareOfWeight;
        var bytes = SongPackage.Bytes(contents);
        return
        [
            .. bytes.OrderBy(b => b.Key).Select(b => new PackagePartView(b.Key, b.Value, 0, b.Key == PackagePart.NoteNames ? song.Channels.Count(c => c.Source is Core.Templates.InstrumentSource { Kit: not null }) : 1, true, 0, [])),
            Sounding(PackagePart.Main, [song.Main.Id], (long)(length * song.SampleRateHz) * 2 * GrowingWave.BytesALane(WaveDepth.Int24), true),
            Sounding(PackagePart.Stems, [.. stems.Select(s => s.Channel)], StemFiles.Bytes(song, stems, WaveDepth.Int24, length + TailSeconds), false),
        ];

        PackagePartView Sounding(PackagePart part, IReadOnlyList<ChannelId> files, long size, bool isUsual)
        {
            var silent = files.Select(f => WhySilent.At(compiled.In(act), f)).Where(why => why.Count > 0).ToList();
            return new(part, size, rendering, files.Count, isUsual, silent.Count, [.. silent.SelectMany(why => why).Distinct()]);
        }
    }

    /// <summary>What feeds the last sum: added up it is what comes into it.</summary>
    private static List<Stem> StemsOf(CompiledTemplate compiled, string act)
    {
        var last = StemsApi.LastSum(compiled.Template).Id;
        return [.. StemRender.Able(compiled, act).Where(c => c.Destination == last).Select(c => new Stem(c.Id, StemPoint.AfterFader))];
    }

    private static async Task<Results<Accepted<JobView>, ProblemHttpResult>> Start(
        NewPackage asked, DocumentStore store, StudioDesk desk, MediaStore media, Carried carried, StageAround around, RowBook book, ScratchFolder folder, JobQueue<SongZip> jobs, CancellationToken cancellation)
    {
        if (await store.OpenAsync(asked.Song, cancellation) is not { Kind: DocumentKind.Song } song)
            return Problems.NotFound("song");
        var request = new RenderRequest(asked.Act ?? song.Template.FinalAct.Id) { CountedIn = asked.CountedIn };
        if (request.Check(song.Template) is { } wrong)
            return Problems.Refused(wrong);
        var parts = (asked.Parts ?? Usual.ToSequence()).Distinct().Order().ToList();
        if (parts.Count == 0)
            return Problems.Refused(new Refusal.Missing("part", "", "that shall be in the package"));
        var on = await desk.OnAsync(cancellation);
        var compiled = song.Compiled.In(on?.Studio);
        var contents = new PackageContents(song.Template, parts, CallSheetApi.SheetOf(song.Template, book), await around.OfAsync(song.Id, song.Template, cancellation)) { CountedIn = asked.CountedIn, Laid = await carried.OfAsync(song.Template, cancellation), Origin = new(song.Id, song.Revision, song.Template.FinalAct.Id) };
        var job = jobs.Start($"{song.Id}/{song.Revision}/{request}/{on?.Id}/{string.Join(',', parts)}", work => Made(contents, compiled, request, folder, media, work));
        return JobRoutes.Begun(job?.Standing, "packages");
    }

    private static SongZip Made(PackageContents contents, CompiledTemplate compiled, RenderRequest request, ScratchFolder folder, MediaStore media, Work<SongZip> work)
    {
        var (song, hasStems) = (contents.Song, contents.Parts.Contains(PackagePart.Stems));
        var renders = new Halves(work, hasStems && contents.Parts.Contains(PackagePart.Main));
        var sound = contents.Parts.Contains(PackagePart.Main) ? CountedRender.Render(compiled, request, new JobWatcher(renders), media, cancellation: work.Cancellation) : null;
        renders.Next();
        var stems = StemsOf(compiled, request.Act);
        using var files = hasStems ? new StemFiles(song, stems, WaveDepth.Int24, folder.Fresh()) : null;
        if (files is not null)
            StemRender.Render(compiled, request.Act, stems, TailSeconds, files, renders, media, cancellation: work.Cancellation);
        var zip = folder.NewFile();
        SongPackage.Write(contents with { Main = sound, Stems = files }, zip, work.Cancellation);
        zip.Flush();
        var main = sound?.PeakDbfs is { } peak ? CutSound.Of(song.Main.Name, Math.Pow(10, peak / 20), WaveDepth.Int24) : null;
        return new($"{SongPackage.FileName(song.Name)}.zip", zip, [.. main is null ? [] : (CutSound[])[main], .. files?.Cut ?? []], sound is { PeakDbfs: null } ? [.. WhySilent.At(compiled.In(request.Act), song.Main.Id).Select(r => r.Sentence)] : null);
    }

    /// <summary>The progress of two renders, one after the other, or of one alone.</summary>
    private sealed class Halves(IProgress<double> whole, bool areTwo) : IProgress<double>
    {
        private double _done;

        public void Report(double value) => whole.Report(areTwo ? _done + value / 2 : value);

        public void Next() => _done = 0.5;
    }
}
