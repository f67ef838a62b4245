using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What a strip apart from any channel must keep to.</summary>
internal static class StripRules
{
    private const int MostActs = 20;

    /// <returns>The first thing that is wrong with the defaults of a template, or null.</returns>
    public static Refusal? Check(Template template)
    {
        if (template.Defaults.Count > DefaultStrip.MostInATemplate)
            return new Refusal.TooMany("default strips", DefaultStrip.MostInATemplate);
        return template.Defaults.Select(d => CheckScope(d.For) ?? Check("A default strip", d.Strip)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(template.Defaults.Select(d => d.For.ToString()), "default strip");
    }

    /// <param name="what">What it is, for people.</param>
    public static Refusal? Check(string what, Strip strip)
    {
        // Acts are known by the template on which it is laid; here they need only be ids.
        var acts = (strip.Inserts ?? []).SelectMany(i => i.ParkedIn).Concat(strip.Stages?.Keys ?? []).Distinct().ToList();
        if (acts.Count > MostActs || acts.Exists(a => !Identifier.IsValid(a)))
            return new Refusal.Missing("act", acts.Find(a => !Identifier.IsValid(a)) ?? "", "that a template could have");
        if ((strip.Inserts ?? []).FirstOrDefault(i => i.Trigger is { Notes.Count: > 0 }) is not null)
            return new Refusal.WrongPlace(what, "is no channel's, so no channel's notes restart it");
        var template = EmptyStage.Create(what) with { Acts = acts.Count == 0 ? EmptyStage.Acts : acts.Select(a => new Act(a, a)).ToSequence() };
        return ChannelRules.CheckInserts(template, new() { Id = EmptyStage.Main, Name = what, Kind = ChannelKind.Bus, Inserts = strip.Inserts ?? [], Chains = strip.Chains })
            ?? (strip.Inserts is null && strip.Chains.Count > 0 ? new Refusal.WrongPlace(what, "has chains, so it says its inserts as well") : null)
            ?? CheckSends(what, strip.Sends ?? [])
            ?? (strip.NoteInput is { } input ? CheckInput(what, input) : null);
    }

    private static Refusal? CheckSends(string what, Sequence<StripSend> sends)
    {
        if (sends.Count > Strip.MostSends)
            return new Refusal.TooMany($"sends of {what.ToLowerInvariant()}", Strip.MostSends);
        if (sends.FirstOrDefault(s => s.Level > Decibels.FaderTop) is { } loud)
            return new Refusal.OutOfRange("The level of a send", loud.Level.Value, double.NegativeInfinity, Decibels.FaderTop.Value, "dB");
        return sends.Where(s => s.To.Length > 0).Select(s => TextRules.Name("The name of a return", s.To)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(sends.Select(s => s.To.ToLowerInvariant()), "send");
    }

    private static Refusal? CheckInput(string what, Notes.NoteInput input)
    {
        if (input.Layers.Count + input.PadMap.Count + input.Controllers.Count > 0)
            return new Refusal.WrongPlace(what, "is no channel's, so it has no layers, pads or controllers of its own");
        return NoteInputRules.Check(EmptyStage.Create(what), new() { Id = EmptyStage.Main, Name = what, Kind = ChannelKind.Notes, NoteInput = input });
    }

    private static Refusal? CheckScope(StripScope scope)
    {
        if (scope.Role is { } role && !RoleNames.All.Contains(role))
            return new Refusal.Missing("role", role, "among those that are known");
        if (scope.Family is { } family && !RoleNames.Families.Contains(family))
            return new Refusal.Missing("family", family, "among those that are known");
        return scope switch
        {
            { Role: not null, Family: not null } => new Refusal.WrongPlace("A default strip", "is for a role or for a family; a role has a family already"),
            { Kind: null, Role: null, Family: null } => new Refusal.WrongPlace("A default strip", "is for a kind, a role or a family of channels"),
            _ => null,
        };
    }
}
