using HomeStage.Core.LineChecks;
using HomeStage.Core.Outside;
using HomeStage.Core.Sound;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Templates;
using HomeStage.Formats;
using HomeStage.Formats.DawProject;
using HomeStage.Formats.Midi;
using HomeStage.Formats.Packages;
using HomeStage.Formats.Wave;
using HomeStage.Server.Api.Views;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using HomeStage.Server.Data.Studios;
using HomeStage.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace HomeStage.Server.Api;

/// <summary>The line check from outside: a test goes out as a Standard MIDI File, and what a workstation recorded of it comes back.</summary>
internal static class OutsideApi
{
    private const int LongestSeconds = 30 * 60;

    /// <param name="Act">In which everything is fired.</param>
    /// <param name="Seconds">How long the test lasts.</param>
    /// <param name="Sources">Pads and instruments that are fired.</param>
    /// <param name="Duckers">How many are tried.</param>
    /// <param name="Channels">Where something of it is heard, in the running order.</param>
    public sealed record TestPlanView(string Act, double Seconds, double TempoBpm, int Sources, int Duckers, IReadOnlyList<Unfired> Unfired, IReadOnlyList<TestChannel> Channels);

    /// <param name="Depth">How deep it stands, from 0.</param>
    public sealed record TestChannel(ChannelId Id, string Name, int Depth, ChannelKind Kind);

    /// <param name="Act">Null for the one in which it is heard at last.</param>
    public sealed record NewTest(string Document, string? Act = null);

    /// <param name="Place">Among those that came back.</param>
    public sealed record RecordingView(int Place, string Name, int SampleRateHz, double Seconds);

    /// <param name="Said">What a person says of recordings; the others are found by name and sound.</param>
    public sealed record AnswerAsk(Sequence<SaidOf> Said);

    /// <param name="Recording">Its place among those that came back.</param>
    /// <param name="Channel">Null for none of the channels.</param>
    public sealed record SaidOf(int Recording, ChannelId? Channel);

    /// <param name="Done">By its place in the call sheet's handwork, each line that is shown to be done.</param>
    /// <param name="Work">How many lines of handwork there are.</param>
    /// <param name="Revision">The one of the document against which all is held.</param>
    public sealed record AnswerView(
        IReadOnlyList<PlacedView> Recordings, IReadOnlyList<AnswerRow> Rows, IReadOnlyList<DuckerRow> Duckers, IReadOnlyList<OutsideFinding> Findings, IReadOnlyList<string> Notes, IReadOnlyList<int> Done, int Work, int Revision);

    /// <param name="Likely">What it may be, where its channel is not sure.</param>
    public sealed record PlacedView(int Place, string Name, int SampleRateHz, double Seconds, ChannelId? Channel, string? ChannelName, PlacedBy By, IReadOnlyList<ChannelId> Likely);

    /// <param name="Player">What plays it, by name.</param>
    public sealed record AnswerRow(string Player, string Name, int? Note, OutsideVerdict Verdict, IReadOnlyList<AnswerCell> Cells);

    /// <param name="OffDb">How much louder it is than expected; null where that is not judged.</param>
    /// <param name="LateMs">How much later; null where that is not judged.</param>
    /// <param name="Follows">Whether what is wrong began on a channel before.</param>
    public sealed record AnswerCell(ChannelId Channel, string ChannelName, bool IsExpected, double? OffDb, double? LateMs, IReadOnlyList<Fault> Faults, bool Follows);

    /// <param name="Under">What hits it; null for the beat.</param>
    public sealed record DuckerRow(ChannelId Channel, string ChannelName, string? Under, double ExpectedDb, double? ExpectedBackMs, double Db, double? BackMs, bool IsIdleHere, IReadOnlyList<Fault> Faults);

    public static void MapOutsideTest(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/outside-test", async Task<Results<Ok<TestPlanView>, ProblemHttpResult>> (string id, string? act, DocumentStore store, RowBook book, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { Template: var template } ? Problems.NotFound("document")
            : act is not null && template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : TypedResults.Ok(PlanOf(template, act ?? template.FinalAct.Id, book)));
        group.MapGet("/{id}/outside-test/midi", async Task<Results<FileContentHttpResult, ProblemHttpResult>> (string id, string? act, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { Template: var template } ? Problems.NotFound("document")
            : act is not null && template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : TypedResults.File(MidiWriter.Write(TestSong.Of(template, act ?? template.FinalAct.Id).Template), "audio/midi", $"{SongPackage.FileName(template.Name)}-line-check.mid"));
    }

    public static void MapOutsideChecks(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/outside-checks").WithTags("Outside checks");
        group.MapPost("/", Start);
        group.MapStanding(typeof(JobQueue<TestBench>), "check");
        group.MapCancel(typeof(JobQueue<TestBench>), "check");
        group.MapPost("/{id}/recordings", Take).WithMetadata(new RequestSizeLimitAttribute(WaveReader.MostBytesOfATest));
        group.MapPost("/{id}/answer", Answer);
    }

    private static TestPlanView PlanOf(Template template, string act, RowBook book)
    {
        var test = TestSong.Of(template, act);
        var able = StemRender.Able(new(template), act).Where(c => c.Kind != ChannelKind.Trigger).Select(c => c.Id).ToHashSet();
        able.IntersectWith(test.Fired.SelectMany(s => Played(template, s.Source)).SelectMany(s => LineCheck.Expected(template, act, s)).Concat(test.Slots.OfType<DuckedSlot>().Select(s => s.Trial.Ducker.Channel)));
        return new(
            act, test.LengthSeconds, test.Template.Timeline.TempoBpm, test.Fired.Count(), test.Slots.OfType<DuckedSlot>().Select(s => s.Trial).Distinct().Count(), test.Unfired,
            [.. book.Of(template).Where(r => able.Contains(r.Channel.Id)).Select(r => new TestChannel(r.Channel.Id, r.Channel.Name, r.Depth, r.Channel.Kind))]);
    }

    /// <summary>What a notes channel plays sounds where that does.</summary>
    private static IEnumerable<LineSource> Played(Template template, LineSource source) =>
        template.Channels[source.Channel] is { Kind: ChannelKind.Notes } notes ? notes.Plays.Select(p => new LineSource(p, source.Note, source.Name)) : [source];

    private static async Task<Results<Accepted<JobView>, ProblemHttpResult>> Start(
        NewTest asked, DocumentStore store, StudioDesk desk, MediaStore media, ScratchFolder folder, JobQueue<TestBench> jobs, CancellationToken cancellation)
    {
        if (await store.OpenAsync(asked.Document, cancellation) is not { } document)
            return Problems.NotFound("document");
        var act = asked.Act ?? document.Template.FinalAct.Id;
        if (new RenderRequest(act).Check(document.Template) is { } wrong)
            return Problems.Refused(wrong);
        var studio = (await desk.OnAsync(cancellation))?.Studio;
        var test = TestSong.Of(document.Template, act);
        if (test.Slots.Count == 0)
            return Problems.Refused(new Refusal.Missing("pad or instrument", "", "that notes could fire"));
        // What came back belongs to one who asks: nobody else gets the same bench.
        var job = jobs.Start(Guid.NewGuid(), work =>
        {
            var tapes = new DiskTapes(folder);
            try
            {
                return new(document.Id, document.Revision, Reference.Of(test, tapes, studio, media, work, work.Cancellation), tapes);
            }
            catch
            {
                tapes.Dispose();
                throw;
            }
        });
        return JobRoutes.Begun(job?.Standing, "outside-checks");
    }

    private static async Task<Results<Ok<RecordingView>, ProblemHttpResult>> Take(string id, string name, HttpRequest request, JobQueue<TestBench> jobs, CancellationToken cancellation)
    {
        if (jobs.Find(id)?.Result is not { } bench)
            return Problems.NotFound("check that is ready");
        if (await BoundedStream.ReadAsync(request.Body, WaveReader.MostBytesOfATest, request.ContentLength, cancellation) is not { } bytes)
            return Problems.Unreadable("too-large", $"A recording of the test may have {WaveReader.MostBytesOfATest / 1024 / 1024} MB.");
        var (sound, code, sentence) = Sound(bytes);
        return sound is null ? Problems.Unreadable(code, sentence)
            : sound.Lanes[0].Length / sound.SampleRateHz > LongestSeconds ? Problems.Unreadable("too-long", $"A recording of the test may last {LongestSeconds / 60} minutes; this one lasts {sound.Lanes[0].Length / sound.SampleRateHz / 60}.")
            : bench.Take(TextRules.Cleaned(name, TextRules.LongestName), sound.Lanes, sound.SampleRateHz) is var (place, recording)
                ? TypedResults.Ok(new RecordingView(place, recording.Name, recording.SampleRateHz, recording.Seconds))
                : Problems.Refused(new Refusal.TooMany("recordings", TestBench.MostRecordings));
    }

    private static (Core.Media.MediaSound? Sound, string Code, string Sentence) Sound(byte[] file) => BroughtSound.AsWave(file) switch
    {
        FormatResult<ReadOnlyMemory<byte>>.Read wave => WaveReader.Read(wave.Value.Span, WaveReader.MostBytesOfATest) switch
        {
            FormatResult<Core.Media.MediaSound>.Read read => (read.Value, "", ""),
            FormatResult<Core.Media.MediaSound>.Refused refused => (null, refused.Code, refused.Sentence),
            _ => throw new InvalidOperationException("A file is read or refused."),
        },
        FormatResult<ReadOnlyMemory<byte>>.Refused refused => (null, refused.Code, refused.Sentence),
        _ => throw new InvalidOperationException("A file is read or refused."),
    };

    private static async Task<Results<Ok<AnswerView>, ProblemHttpResult>> Answer(string id, AnswerAsk asked, JobQueue<TestBench> jobs, DocumentStore store, CancellationToken cancellation)
    {
        if (jobs.Find(id)?.Result is not { } bench)
            return Problems.NotFound("check that is ready");
        var recordings = bench.Recordings;
        if (recordings.Count == 0)
            return Problems.Refused(new Refusal.Missing("recording", "", "yet"));
        if (asked.Said.FirstOrDefault(s => s.Recording < 0 || s.Recording >= recordings.Count) is { } beyond)
            return Problems.Refused(new Refusal.OutOfRange("The place of a recording", beyond.Recording, 0, recordings.Count - 1, ""));
        if (asked.Said.FirstOrDefault(s => s.Channel is { } c && !bench.Reference.Tracks.ContainsKey(c)) is { Channel: { } unknown })
            return Problems.Refused(new Refusal.UnknownChannel(unknown));
        var said = asked.Said.GroupBy(s => s.Recording).ToDictionary(s => s.Key, s => s.Last().Channel);
        if (said.Values.OfType<ChannelId>().GroupBy(c => c).FirstOrDefault(c => c.Count() > 1) is { Key: var twice })
            return Problems.Refused(new Refusal.Doubled("recordings of", bench.Reference.Song.Template.Channels[twice].Name));
        var answer = await Task.Run(() => OutsideCheck.Of(bench.Reference, recordings, said, cancellation), cancellation);
        var work = await store.OpenAsync(bench.Document, cancellation) is { Template: var now } ? HandworkList.Of(now) : [];
        return TypedResults.Ok(ViewOf(bench.Reference.Song, answer, work, bench.Revision));
    }

    private static AnswerView ViewOf(TestSong song, OutsideAnswer answer, IReadOnlyList<Handwork> work, int revision)
    {
        string NameOf(ChannelId channel) => song.Template.Channels[channel].Name;
        return new(
            [.. answer.Recordings.Select((r, i) => new PlacedView(i, r.Recording.Name, r.Recording.SampleRateHz, r.Recording.Seconds, r.Channel, r.Channel is { } c ? NameOf(c) : null, r.By, r.Likely))],
            [.. answer.Rows.Select(r => new AnswerRow(
                NameOf(r.Slot.Source.Channel), r.Slot.Source.Name, r.Slot.Source.Note, r.Verdict, [.. r.Readings.Select(c => new AnswerCell(c.Channel, NameOf(c.Channel), c.IsExpected, c.OffDb, c.LateMs, c.Faults, c.Follows))]))],
            [.. answer.Duckers.Select(d => new DuckerRow(
                d.Trial.Ducker.Channel, NameOf(d.Trial.Ducker.Channel), d.Trial.Hit?.Name, d.ExpectedDb, d.ExpectedBackMs, d.Db, d.BackMs, d.IsIdleHere, d.Faults))],
            answer.Findings, answer.Notes, [.. ProvenWork.Of(work, song, answer).Select((done, i) => (done, i)).Where(d => d.done).Select(d => d.i)], work.Count, revision);
    }
}
