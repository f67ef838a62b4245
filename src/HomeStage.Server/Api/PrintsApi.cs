using System.Numerics.Tensors;
using HomeStage.Core.Compiling;
using HomeStage.Core.Editing;
using HomeStage.Core.Media;
using HomeStage.Core.Printing;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Soundcheck;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Formats;
using HomeStage.Formats.Packages;
using HomeStage.Formats.Wave;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Prints: instruments recorded onto audio channels that stand in for them, many by one render.</summary>
internal static class PrintsApi
{
    /// <summary>−80 dBFS, above the dither of every depth.</summary>
    private const float HardlyHeard = 1e-4f;

    /// <param name="Act">In which they are printed.</param>
    /// <param name="Seconds">Of the timeline, without a tail.</param>
    /// <param name="MostBytes">What the prints of one go may take.</param>
    /// <param name="Channels">What can be printed, in the running order, the outputs of an instrument after it.</param>
    public sealed record PrintPlanView(string Act, double Seconds, int SampleRateHz, long MostBytes, IReadOnlyList<PrintChoice> Channels);

    /// <param name="Depth">1 under the instrument whose output it is, else 0.</param>
    /// <param name="Lanes">Of its print.</param>
    /// <param name="Twin">The channel that takes its print; null where that is made.</param>
    /// <param name="IsPrinted">Whether a print lies there.</param>
    /// <param name="PlaysPrint">Whether the print plays in its place in this act.</param>
    /// <param name="Outputs">Other outputs of this instrument, which rest when it does.</param>
    /// <param name="SilentBecause">Why there would be no sound in it; none where there is some.</param>
    public sealed record PrintChoice(
        ChannelId Id, string Name, int Depth, int Lanes, ChannelId? Twin, bool IsPrinted, bool PlaysPrint, IReadOnlyList<ChannelId> Outputs, IReadOnlyList<SilentReason> SilentBecause);

    /// <param name="Channels">With an instrument its other outputs are printed, too.</param>
    /// <param name="TailSeconds">What is printed beyond the end, in [0, 30].</param>
    /// <param name="Playing">Whether the prints play afterwards in this act, and the instruments rest.</param>
    public sealed record NewPrints(string Document, string Act, Sequence<ChannelId> Channels, WaveDepth Depth = WaveDepth.Float32, double TailSeconds = 4, bool Playing = false);

    /// <param name="Edits">The batch that lays the prints down.</param>
    /// <param name="Silent">Names of those whose print holds nothing above −80 dBFS.</param>
    /// <param name="Cut">Those that went over full scale, which their depth does not hold.</param>
    public sealed record PrintedView(Sequence<Edit> Edits, IReadOnlyList<string> Silent, IReadOnlyList<CutSound> Cut);

    public static void MapPrintPlan(this RouteGroupBuilder group) =>
        group.MapGet("/{id}/prints", async Task<Results<Ok<PrintPlanView>, ProblemHttpResult>> (
            string id, string act, DocumentStore store, StudioDesk desk, StagedSounds staged, RowBook book, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : TypedResults.Ok(PlanOf(document.Compiled.In((await desk.OnAsync(cancellation))?.Studio), act, staged.MostBytes, book)));

    public static void MapPrints(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/prints").WithTags("Prints");
        group.MapPost("/", Start);
        group.MapStanding(typeof(JobQueue<Printed>), "prints");
        group.MapCancel(typeof(JobQueue<Printed>), "prints");
        group.MapGet("/{id}/edits", Results<Ok<PrintedView>, ProblemHttpResult> (string id, JobQueue<Printed> jobs) =>
            jobs.Find(id) is { State: JobState.Done, Result: { } printed } ? TypedResults.Ok(new PrintedView(printed.Edits, printed.Silent, printed.Cut)) : Problems.NotFound("finished prints"));
    }

    private static PrintPlanView PlanOf(CompiledTemplate compiled, string act, long mostBytes, RowBook book)
    {
        var template = compiled.Template;
        var able = Prints.Able(compiled, act);
        // What rests while its print plays can be brought back, though not printed.
        var resting = template.Channels.Where(c => template.PlaysPrint(c, act)).ToList();
        var listed = able.Concat(resting).Select(c => c.Id).ToHashSet();
        bool HangsOnAnother(Channel c) => c.Source is OutputSource { Instrument: var player } && listed.Contains(player);
        PrintChoice Choice(Channel c, int depth) => new(
            c.Id, c.Name, depth, Prints.StemOf(template, c).Lanes(template), c.PrintTwin, template.IsPrinted(c),
            template.PlaysPrint(c, act), [.. Prints.OutputsOf(template, c).Select(o => o.Id)],
            template.PlaysPrint(c, act) ? [] : WhySilent.At(compiled.In(act), c.Id, pastItsFader: false));
        return new(
            act, new TimeMap(template.Timeline).LengthSeconds, template.SampleRateHz, mostBytes,
            [
                .. book.Of(template).Select(r => r.Channel).Where(c => listed.Contains(c.Id) && !HangsOnAnother(c)).SelectMany(c =>
                    (IEnumerable<PrintChoice>)[Choice(c, 0), .. Prints.OutputsOf(template, c).Where(o => listed.Contains(o.Id)).Select(o => Choice(o, 1))]),
            ]);
    }

    private static async Task<Results<Accepted<JobView>, ProblemHttpResult>> Start(
        NewPrints asked, DocumentStore store, StudioDesk desk, MediaStore media, StagedSounds staged, ScratchFolder folder, JobQueue<Printed> jobs, CancellationToken cancellation)
    {
        if (await store.OpenAsync(asked.Document, cancellation) is not { } document)
            return Problems.NotFound("document");
        var template = document.Template;
        if (new RenderRequest(asked.Act).Check(template) is { } wrong)
            return Problems.Refused(wrong);
        if (!(asked.TailSeconds is >= 0 and <= StemRender.LongestTailSeconds))
            return Problems.Refused(new Refusal.OutOfRange("The tail", asked.TailSeconds, 0, StemRender.LongestTailSeconds, "s"));
        if (asked.Channels.Count == 0)
            return Problems.Refused(new Refusal.Missing("channel", "", "that shall be printed"));
        var compiled = document.Compiled.In((await desk.OnAsync(cancellation))?.Studio);
        var able = Prints.Able(compiled, asked.Act);
        if (asked.Channels.Where(c => able.All(a => a.Id != c)).Select(Refusal (c) => template.Channels.TryGet(c, out var there)
            ? new Refusal.WrongPlace(there.Name, "plays nothing that leads to the main in this act, so there is nothing to print")
            : new Refusal.UnknownChannel(c)).FirstOrDefault() is { } unable)
            return Problems.Refused(unable);
        var channels = Prints.Together(able, asked.Channels);
        Stem[] stems = [.. channels.Select(c => Prints.StemOf(template, c))];
        var seconds = new TimeMap(template.Timeline).LengthSeconds + asked.TailSeconds;
        if (TooLarge(template, stems, asked.Depth, seconds, staged.MostBytes) is { } large)
            return Problems.Refused(large);
        // Whether they can be laid down is known before anything is rendered.
        if (Prints.Laid(template, asked.Act, [.. stems.Select(s => (s.Channel, ToCome(s.Lanes(template), template.SampleRateHz)))], asked.Playing).Why is { } unlaid)
            return Problems.Refused(unlaid);
        var job = jobs.Start(Guid.NewGuid(), work =>
        {
            using var files = new StemFiles(template, stems, asked.Depth, folder.Fresh());
            StemRender.Render(compiled, asked.Act, stems, asked.TailSeconds, files, work, media, cancellation: work.Cancellation);
            var sounds = files.Ended().Select((f, i) => (channels[i].Id, Sound: Kept(f.Path, channels[i], staged, work.Cancellation))).ToList();
            var (edits, why) = Prints.Laid(template, asked.Act, [.. sounds.Select(s => (s.Id, s.Sound.Sound))], asked.Playing);
            return why is null ? new(edits, [.. sounds.Where(s => s.Sound.IsSilent).Select(s => template.Channels[s.Id].Name)], files.Cut) : throw new InvalidOperationException(why.Sentence);
        });
        return JobRoutes.Begun(job?.Standing, "prints");
    }

    /// <summary>A print before it is made.</summary>
    private static MediaRef ToCome(int lanes, int sampleRateHz) => new(new string('0', 64), Prints.Name, sampleRateHz, lanes, 1);

    private static Refusal.OutOfRange? TooLarge(Template template, Stem[] stems, WaveDepth depth, double seconds, long mostBytes)
    {
        double MegabytesOf(IEnumerable<Stem> some) => StemFiles.Bytes(template, some, depth, seconds) / 1e6;
        return stems.Max(s => MegabytesOf([s])) is var largest && largest > WaveReader.MostBytes / 1e6 ? new("A print", largest, 0, WaveReader.MostBytes / 1e6, "MB")
            : MegabytesOf(stems) is var all && all > mostBytes / 1e6 ? new("What is printed at once", all, 0, mostBytes / 1e6, "MB")
            : null;
    }

    private static (MediaRef Sound, bool IsSilent) Kept(string path, Channel channel, StagedSounds staged, CancellationToken cancellation)
    {
        cancellation.ThrowIfCancellationRequested();
        var wave = File.ReadAllBytes(path);
        var title = TextRules.Cleaned($"{Prints.Name} of {channel.Name}", TextRules.LongestName);
        return staged.Put(wave, title) is FormatResult<MediaRef>.Read kept
            ? (kept.Value, WaveReader.Read(wave) is FormatResult<MediaSound>.Read { Value: var sound } && sound.Lanes.All(l => Math.Abs(TensorPrimitives.MaxMagnitude<float>(l)) < HardlyHeard))
            : throw new InvalidOperationException("A print that was written can be read.");
    }
}
