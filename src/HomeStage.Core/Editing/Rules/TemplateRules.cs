using HomeStage.Core.Routing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What a whole template must keep to. A document is held against this when it is read.</summary>
public static class TemplateRules
{
    public const int MostChannels = 20000;
    public const int MostGrooves = 200;
    public const int MostAccepted = 500;
    private static readonly int[] SampleRates = [44100, 48000, 88200, 96000];

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(Template template) =>
        CheckAbout(template)
        ?? TimelineRules.Check(template.Timeline)
        ?? CheckActs(template.Acts)
        ?? CheckAccepted(template.Accepted)
        ?? CheckParts(template)
        ?? CheckChannels(template)
        ?? LoopRule.Check(template);

    internal static Refusal? CheckAbout(Template template)
    {
        if (!SampleRates.Contains(template.SampleRateHz))
            return new Refusal.OutOfRange("The sample rate", template.SampleRateHz, 44100, 96000, "Hz");
        if (template.Key is { } key && !(key.Fifths is >= -7 and <= 7))
            return new Refusal.OutOfRange("The sharps or flats of the key", key.Fifths, -7, 7, "");
        if (template.Tags.Count > 40)
            return new Refusal.TooMany("tags", 40);
        return TextRules.Name("A template's name", template.Name)
            ?? TextRules.Note("The category", template.Category, TextRules.LongestName)
            ?? template.Tags.Select(t => TextRules.Name("A tag", t, TextRules.LongestSection)).FirstOrDefault(r => r is not null)
            ?? TextRules.Note("The prompt note", template.Note);
    }

    /// <summary>Grooves, patches, levers and the opening.</summary>
    internal static Refusal? CheckParts(Template template) =>
        (template.Grooves.Count > MostGrooves ? new Refusal.TooMany("grooves", MostGrooves) : null)
        ?? template.Grooves.Select(g => g.Check()).FirstOrDefault(r => r is not null)
        ?? Doubles.Check(template.Grooves.Select(g => g.Name), "groove")
        ?? PatchRules.Check(template)
        ?? (template.Copies.Count > ShelfCopy.MostInATemplate ? new Refusal.TooMany("copies of the shelf", ShelfCopy.MostInATemplate) : null)
        ?? template.Copies.Select(c => c.Check()).FirstOrDefault(r => r is not null)
        ?? Doubles.Check(template.Copies.Select(c => $"{c.Kind} {c.Place}"), "origin")
        ?? (template.Aside.Count > AsideSplit.MostInATemplate ? new Refusal.TooMany("splits put aside", AsideSplit.MostInATemplate) : null)
        ?? template.Aside.Select(a => a.Check()).FirstOrDefault(r => r is not null)
        ?? Doubles.Check(template.Aside.Select(a => a.Split.Id.Value), "split put aside")
        ?? StripRules.Check(template)
        ?? LeverRules.Check(template)
        ?? OpeningRules.Check(template)
        ?? template.Parent?.Check();

    internal static Refusal? CheckAccepted(Map<string> accepted) =>
        accepted.Count > MostAccepted
            ? new Refusal.TooMany("accepted findings", MostAccepted)
            : accepted.Keys.Select(k => TextRules.Name("What a finding is known by", k, TextRules.LongestNote)).FirstOrDefault(r => r is not null)
                ?? accepted.Values.Select(n => string.IsNullOrWhiteSpace(n) ? new Refusal.BadText("The reason", 1, TextRules.LongestNote) : TextRules.Note("The reason", n)).FirstOrDefault(r => r is not null);

    internal static Refusal? CheckActs(Sequence<Act> acts)
    {
        if (!(acts.Count is >= 1 and <= 20))
            return new Refusal.OutOfRange("The number of acts", acts.Count, 1, 20, "");
        if (acts.FirstOrDefault(a => !Identifier.IsValid(a.Id)) is { } bad)
            return new Refusal.BadText($"The id of the act {bad.Name}", 1, Identifier.MaxLength);
        return acts.Select(a => TextRules.Name("An act's name", a.Name, TextRules.LongestSection)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(acts.Select(a => a.Id), "act");
    }

    private static Refusal? CheckChannels(Template template)
    {
        if (template.Channels.Count > MostChannels)
            return new Refusal.TooMany("channels", MostChannels);
        var mains = template.Channels.Count(c => c.Kind == ChannelKind.Main);
        if (mains != 1)
            return new Refusal.OutOfRange("The number of mains", mains, 1, 1, "");
        return Doubles.Check(template.Channels.Select(c => c.Id.Value), "channel")
            ?? template.Channels.Select(c => ChannelRules.Check(template, c)).FirstOrDefault(r => r is not null);
    }
}
