using HomeStage.Core.Catalogue;
using HomeStage.Core.Controls;
using HomeStage.Core.Templates;
using HomeStage.Core.Writing;

namespace HomeStage.Formats.DawProject;

/// <summary>How an insert is set, in words for whoever sets it by hand: ": ratio 3:1, knee 6 dB", empty for nothing.</summary>
internal static class InsertNumbers
{
    /// <param name="chosen">Which of its controls are said.</param>
    public static string Of(Insert insert, Func<Parameter, bool> chosen)
    {
        var said = insert.Parameters().Where(chosen).Select(p => $"{p.Name.InASentence()} {Value(p, p.In(insert.Settings))}").ToList();
        return said.Count == 0 ? "" : $": {string.Join(", ", said)}";
    }

    /// <summary>All of one that is put in anew, but for what does nothing in any effect of its kind.</summary>
    public static string OfAnEffect(Insert insert) => Of(insert, p => !Rests(p, p.In(insert.Settings)));

    /// <summary>All that has a part in what is heard: of an equaliser the bands that are turned and the filters that are on.</summary>
    public static string OfWhatActs(Insert insert)
    {
        double Now(Parameter parameter) => parameter.In(insert.Settings);
        // Where its filter is off, or its band is not turned.
        bool IsIdle(Parameter p) => p.Needs is { } needs && insert.Find(needs) is { } on && Now(on) < 0.5 || BandOf(insert, p) is { } band && Now(band) == 0;
        // That a filter is on is told by where it cuts, and a choice that nobody made by nothing.
        bool IsTold(Parameter p) => p.Unit switch
        {
            Unit.Switch => insert.Parameters().Any(other => other.Needs == p.Id),
            Unit.Choice => p.Needs is null && Now(p) == p.Default,
            _ => false,
        };
        return Of(insert, p => !Rests(p, Now(p)) && !IsIdle(p) && !IsTold(p));
    }

    /// <summary>The gain of the band whose corner or width it is; null for anything else.</summary>
    private static Parameter? BandOf(Insert insert, Parameter parameter) =>
        parameter.Unit is Unit.Hertz or Unit.Quality && parameter.Id.LastIndexOf('-') is > 0 and var end ? insert.Find($"{parameter.Id[..end]}-db") : null;

    /// <summary>A switch that is off, no gain, all of it, no time.</summary>
    private static bool Rests(Parameter parameter, double value) => parameter.Unit switch
    {
        Unit.Switch => value < 0.5,
        Unit.Decibels => value == 0,
        Unit.Percent => value == 100,
        Unit.Choice => false,
        // No delay, no hold.
        _ => value == 0 && parameter.Default == 0,
    };

    private static string Value(Parameter parameter, double value) => parameter.Word(value) ?? WrittenValue.Of(value, parameter.Unit, 2);
}
