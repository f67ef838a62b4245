using HomeStage.Core.Catalogue;
using HomeStage.Core.Colours;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;
using HomeStage.Core.Writing;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>What a template can hold: processors and instruments with their controls.</summary>
internal static class CatalogueApi
{
    private const int LongestText = 80;

    public sealed record CatalogueView(
        IReadOnlyList<ProcessorView> Processors, IReadOnlyList<InstrumentView> Instruments, IReadOnlyList<KeyView> Keys,
        IReadOnlyList<KindView> Kinds, IReadOnlyList<Swatch> Hues, IReadOnlyList<WrittenNote> NoteValues);

    /// <param name="Text">Up to 80 characters.</param>
    /// <param name="TempoBpm">By which note values and times are the same, in [1, 1,000].</param>
    public sealed record WrittenRequest(string Text, Unit Unit, double TempoBpm);

    /// <param name="Value">In the unit that was asked for; may lie outside of the field's range.</param>
    public sealed record ReadValue(double Value);

    /// <param name="Name">What people call a channel of that kind.</param>
    public sealed record KindView(ChannelKind Kind, string Name, Capabilities Can);

    public sealed record KeyView(MusicalKey Key, string Name);

    /// <param name="StandsInOnly">Whether it is of use only in place of a device.</param>
    /// <param name="ShortName">A few letters for rows.</param>
    /// <param name="KeyedShortName">The same where its key is on; null where that makes no difference.</param>
    public sealed record ProcessorView(string Id, string Name, string ShortName, string? KeyedShortName, bool HasKey, bool HasTrigger, bool StandsInOnly, IReadOnlyList<ParameterView> Parameters);

    public sealed record InstrumentView(string Id, string Name, string About, IReadOnlyList<ParameterView> Parameters, Core.Kits.Kit? Kit);

    /// <param name="Symbol">What stands behind the number.</param>
    /// <param name="Options">For a choice: its options by number.</param>
    /// <param name="Needs">Id of the switch without which it does nothing; null for none.</param>
    /// <param name="StandsStill">Why no curve and no lever can move it; null where they can.</param>
    public sealed record ParameterView(string Id, string Name, Unit Unit, string Symbol, double Min, double Max, double Step, double Default, IReadOnlyList<string> Options, string? Needs, string? StandsStill);

    public static void MapCatalogue(this RouteGroupBuilder api) => api.MapGet("/catalogue", Ok<CatalogueView> () => TypedResults.Ok(new CatalogueView(
        [.. ProcessorCatalogue.All.Select(p => new ProcessorView(p.Id, p.Name, p.ShortName, p.KeyedShortName, p.HasKey, p.HasTrigger, p.StandsInOnly, [.. p.Parameters.Select(ViewOf)]))],
        [.. InstrumentCatalogue.All.Select(i => new InstrumentView(i.Id, i.Name, i.About, [.. i.Parameters.Select(ViewOf)], i.Kit?.Together()))],
        [.. MusicalKey.All.Select(k => new KeyView(k, k.Name))],
        [.. Enum.GetValues<ChannelKind>().Select(k => new KindView(k, NameOf(k), Capabilities.Of(k)))],
        Palette.Swatches(), NoteWords.Usual)))
        .WithTags("Catalogue");

    /// <summary>A number as somebody wrote it, in the unit that a field has.</summary>
    public static void MapValues(this RouteGroupBuilder api) =>
        api.MapPost("/values", Results<Ok<ReadValue>, ProblemHttpResult> (WrittenRequest asked) =>
            !(asked.TempoBpm is >= 1 and <= 1000) ? Problems.Refused(new Refusal.OutOfRange("The tempo", asked.TempoBpm, 1, 1000, "BPM"))
            : asked.Text.Length > LongestText ? Problems.Refused(new Refusal.BadText("A number", 1, LongestText))
            : WrittenValue.Read(asked.Text, asked.Unit, asked.TempoBpm) is { } value ? TypedResults.Ok(new ReadValue(value))
            : Problems.Unreadable("no-value", $"“{asked.Text.Trim()}” is no {NameOf(asked.Unit)}."))
        .WithTags("Catalogue");

    private static string NameOf(Unit unit) => unit switch
    {
        Unit.Hertz => "frequency",
        Unit.Milliseconds or Unit.Seconds => "time or note value",
        Unit.Quarters => "note value or time",
        Unit.Decibels => "number of dB",
        Unit.Ratio => "ratio",
        _ => "number that fits here",
    };

    private static string NameOf(ChannelKind kind) => kind switch
    {
        ChannelKind.Audio => "Audio input",
        ChannelKind.Split => "Split of a kit",
        ChannelKind.Trigger => "Trigger, never heard",
        ChannelKind.Direct => "Direct, around the main",
        ChannelKind.Notes => "Notes only",
        _ => kind.ToString(),
    };

    private static ParameterView ViewOf(Parameter p) => new(p.Id, p.Name, p.Unit, p.Unit.Symbol(), p.Min, p.Max, p.Step, p.Default, p.Options, p.Needs, p.StandsStill);
}
