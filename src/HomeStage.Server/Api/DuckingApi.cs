using HomeStage.Core.Ducking;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Strips;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Sounds;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Who gives way to whom: measured over a section by the detectors themselves, and asked for by depth and time.</summary>
internal static class DuckingApi
{
    private const int MostDuckers = 64;
    private const int Points = 240;

    public sealed record DuckingSourceView(ChannelId Channel, string Name);

    /// <summary>What a ducker does over a section.</summary>
    /// <param name="DepthDb">At the loudest hit.</param>
    /// <param name="LeastDepthDb">At the softest.</param>
    /// <param name="BackMs">From the loudest hit; null where the next one comes first.</param>
    /// <param name="MeanDb">What is taken off on average.</param>
    /// <param name="Recovers">Whether it is back before every next hit.</param>
    /// <param name="NearRestDb">Within how much of rest counts as back.</param>
    /// <param name="CurveDb">What is taken off over the first bar, at equal distances.</param>
    /// <param name="HitSeconds">Of the hits in that bar, from its start.</param>
    /// <param name="IsSupposed">Whether nothing strikes it yet, so that it is measured as if something did on every beat.</param>
    public sealed record DuckingReadingView(double DepthDb, double LeastDepthDb, double? BackMs, double MeanDb, bool Recovers, double NearRestDb, IReadOnlyList<double> CurveDb, IReadOnlyList<double> HitSeconds, bool IsSupposed);

    /// <param name="By">Who it gives way to; none where only beats restart it.</param>
    /// <param name="Set">What it is set to.</param>
    /// <param name="Reading">Null where nothing can be measured.</param>
    /// <param name="Trouble">Why nothing can be measured.</param>
    public sealed record DuckerView(ChannelId Channel, string Name, InsertId Insert, DuckingWay Way, IReadOnlyList<DuckingSourceView> By, IReadOnlyList<DuckerSetting> Set, DuckingReadingView? Reading, string? Trouble);

    /// <param name="Section">Id of the section that was measured.</param>
    public sealed record DuckingView(string Section, string SectionName, double BarSeconds, double TempoBpm, IReadOnlyList<DuckerView> Duckers);

    /// <param name="Section">Null for the first.</param>
    public sealed record RoomRequest(string Act, string? Section, RoomAsk Ask);

    /// <param name="Limits">What is in the way and what is offered instead, a sentence each with the channel's name.</param>
    public sealed record RoomView(IReadOnlyList<Edit> Edits, IReadOnlyList<string> Words, IReadOnlyList<string> Limits);

    /// <param name="Section">Null for the first.</param>
    public sealed record DuckRequest(string Act, string? Section, ChannelId Channel, InsertId Insert, double DepthDb, double BackQuarters, double StayMs, bool Soft);

    /// <param name="Limit">What is in the way; null where the ask is met.</param>
    public sealed record DuckView(IReadOnlyList<Edit> Edits, string? Limit);

    public static void MapDucking(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/ducking", async Task<Results<Ok<DuckingView>, ProblemHttpResult>> (string id, string act, string? section, DocumentStore store, MediaStore media, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : document.Template.Acts.All(a => a.Id != act) ? Problems.NotFound("act")
            : Placed(document.Template, section) is not { } placed ? Problems.NotFound("section")
            : TypedResults.Ok(Of(document.Template, act, placed, media, cancellation)));
        group.MapPost("/{id}/ducking/room", async Task<Results<Ok<RoomView>, ProblemHttpResult>> (string id, RoomRequest asked, DocumentStore store, MediaStore media, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : MakeRoom.Of(document.Template, asked.Act, asked.Section ?? document.Template.Timeline.Sections[0].Id, asked.Ask, media, cancellation) switch
            {
                (null, var why) => Problems.Refused(why!),
                ({ } room, _) => TypedResults.Ok(new RoomView(room.Edits, EditWords.OfBatch(room.Edits, document.Template),
                    [.. room.Answers.Where(a => a.Answer.Limit is not null).Select(a => $"{document.Template.Channels[a.Channel].Name}: {DuckingWords.Of(a.Answer)}")])),
            });
        group.MapPost("/{id}/ducking/solve", async Task<Results<Ok<DuckView>, ProblemHttpResult>> (string id, DuckRequest asked, DocumentStore store, MediaStore media, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : Placed(document.Template, asked.Section) is not { } placed ? Problems.NotFound("section")
            : Ducker.In(document.Template).FirstOrDefault(d => d.Channel == asked.Channel && d.Insert == asked.Insert) is not { } ducker ? Problems.NotFound("ducker")
            : AskedDucker.Of(document.Template, asked.Act, placed, ducker, new(asked.DepthDb, NoteValue.Milliseconds(asked.BackQuarters, placed.TempoBpm), asked.StayMs, asked.Soft), media, cancellation) switch
            {
                (null, var why) => Problems.Refused(why!),
                ({ } solved, _) => TypedResults.Ok(new DuckView(solved.Edits, solved.Answer is { } answer ? DuckingWords.Of(answer) : null)),
            });
    }

    private static PlacedSection? Placed(Template template, string? section) => new TimeMap(template.Timeline).Find(section ?? template.Timeline.Sections[0].Id);

    private static DuckingView Of(Template template, string act, PlacedSection placed, MediaStore media, CancellationToken cancellation)
    {
        var bar = placed.LengthSeconds / placed.Section.Bars;
        return new(placed.Section.Id, placed.Section.Name, bar, placed.TempoBpm, [.. Ducker.In(template).Take(MostDuckers).Select(d => ViewOf(template, act, placed, d, bar, media, cancellation))]);
    }

    private static DuckerView ViewOf(Template template, string act, PlacedSection placed, Ducker ducker, double barSeconds, MediaStore media, CancellationToken cancellation)
    {
        var (run, why) = DuckingRun.Of(template, act, placed.Section.Id, ducker, media, cancellation);
        return new(ducker.Channel, template.Channels[ducker.Channel].Name, ducker.Insert, ducker.Way,
            [.. ducker.By.Where(template.Channels.Contains).Select(by => new DuckingSourceView(by, template.Channels[by].Name))],
            [.. DuckerSetting.Of(template, ducker, placed.TempoBpm)], run is null ? null : ViewOf(run, barSeconds, template.SampleRateHz), why?.Sentence);
    }

    private static DuckingReadingView ViewOf(DuckingRun run, double barSeconds, int rate)
    {
        var frames = Math.Min(run.ReductionDb.Length, (int)(barSeconds * rate));
        // The most within each point's stretch, so that no hit falls between two.
        var curve = Enumerable.Range(0, Points).Select(i => Most(run.ReductionDb.AsSpan((int)((long)i * frames / Points), Math.Max(1, frames / Points))));
        return new(run.Reading.DepthDb, run.Reading.LeastDepthDb, run.Reading.BackMs, run.Reading.MeanDb, run.Reading.Recovers, DuckerLaw.NearRestDb(run.Reading.DepthDb),
            [.. curve], [.. run.Hits.Where(h => h < frames).Select(h => (double)h / rate)], run.IsSupposed);
    }

    private static double Most(ReadOnlySpan<float> stretch)
    {
        var most = 0f;
        foreach (var db in stretch)
            most = Math.Max(most, db);
        return Math.Round(most, 2);
    }
}
