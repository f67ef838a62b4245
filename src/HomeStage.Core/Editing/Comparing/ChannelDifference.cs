using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Comparing;

/// <summary>What differs on one channel, apart from where it stands in the acts and in the order.</summary>
internal static class ChannelDifference
{
    public static IEnumerable<Edit> Between(Channel from, Channel to) =>
        ReferenceEquals(from, to) ? [] : Plain(from, to).Concat(Sound(from, to)).Concat(Notes(from, to)).Concat(StripDifference.Between(from, to));

    private static IEnumerable<Edit> Plain(Channel from, Channel to)
    {
        var id = to.Id;
        if (from.Name != to.Name)
            yield return new RenameChannel(id, to.Name);
        if (from.Role != to.Role)
            yield return new SetRole(id, to.Role);
        if (from.Format != to.Format && !WidthFollows(from, to))
            yield return new SetFormat(id, to.Format);
        if (from.HueDegrees != to.HueDegrees)
            yield return new SetHue(id, to.HueDegrees);
        if (from.Note != to.Note)
            yield return new SetNote(id, to.Note);
        if (from.Level != to.Level)
            yield return new SetLevel(id, to.Level);
        if (from.Pan != to.Pan)
            yield return new SetPan(id, to.Pan);
        if (from.Muted != to.Muted)
            yield return new SetMute(id, to.Muted);
        if (from.PolarityFlipped != to.PolarityFlipped)
            yield return new SetPolarity(id, to.PolarityFlipped);
        if ((from.OutputPair != to.OutputPair || from.OutputName != to.OutputName) && to.OutputPair is { } pair)
            yield return new SetOutputPair(id, pair, to.OutputName);
        if (from.Destination != to.Destination)
            yield return new SetDestination(id, to.Destination);
        if (from.Spare != to.Spare)
            yield return new SetSpare(id, to.Spare);
        if (from.PrintTwin != to.PrintTwin)
            yield return new SetPrintTwin(id, to.PrintTwin);
    }

    private static IEnumerable<Edit> Sound(Channel from, Channel to)
    {
        foreach (var starter in from.Starters.Where(s => to.Starters.All(o => o.Name != s.Name)))
            yield return new RemoveStarter(to.Id, starter.Name);
        if (SourceEdit(from, to) is { } source)
            yield return source;
        if (from.Format != to.Format && WidthFollows(from, to) && !TakesInput(from, to))
            yield return new SetFormat(to.Id, to.Format);
        foreach (var starter in to.Starters.Where(s => !from.Starters.Contains(s)))
            yield return new PutStarter(to.Id, starter);
    }

    private static Edit? SourceEdit(Channel from, Channel to)
    {
        if (Equals(from.Source, to.Source))
            return null;
        if (TakesInput(from, to))
            return new TakeInput(to.Id, (InputSource)to.Source!);
        if (from.Source is InstrumentSource played && to.Source is InstrumentSource meant && played with { Device = meant.Device } == meant && meant.Device is not null)
            return new SetDevice(to.Id, null, meant.Device);
        if (from.Source is not InstrumentSource was || to.Source is not InstrumentSource now || was with { Settings = now.Settings, Patch = now.Patch } != now)
            return new SetSource(to.Id, to.Source);
        var turned = now.Settings.Keys.Union(was.Settings.Keys).Where(k => !Same(was.Settings, now.Settings, k)).ToList();
        return turned.Count == 1 && was.Patch == now.Patch
            ? new SetInstrumentSetting(to.Id, turned[0], now.Settings.TryGetValue(turned[0], out var value) ? value : null)
            : new SetSettings(to.Id, null, now.Settings, now.Patch);
    }

    /// <summary>Whether both width and inputs change, and fit each other afterwards: one edit then.</summary>
    private static bool TakesInput(Channel from, Channel to) =>
        from.Format != to.Format && to.Source is InputSource input && !Equals(from.Source, to.Source) && (input.Second is null) == (to.Format == ChannelFormat.Mono);

    /// <summary>Whether a width can only change after the inputs that it went by are let go.</summary>
    private static bool WidthFollows(Channel from, Channel to) => TakesInput(from, to) || (from.Source is InputSource && !Equals(from.Source, to.Source));

    private static IEnumerable<Edit> Notes(Channel from, Channel to)
    {
        foreach (var pattern in from.Patterns.Where(p => to.Patterns.All(o => o.Name != p.Name)))
            yield return new RemovePattern(to.Id, pattern.Name);
        foreach (var pattern in to.Patterns.Where(p => !from.Patterns.Contains(p)))
            yield return new PutPattern(to.Id, pattern);
        if (from.NoteInput != to.NoteInput)
            yield return new SetNoteInput(to.Id, to.NoteInput);
        if (!from.NoteProcessors.Equals(to.NoteProcessors))
            yield return new SetNoteProcessors(to.Id, to.NoteProcessors);
        if (!from.Plays.Equals(to.Plays) || from.MidiOut != to.MidiOut)
            yield return new SetPlays(to.Id, to.Plays, to.MidiOut);
        if (from.Groove != to.Groove)
            yield return new SetGroove(to.Id, to.Groove);
    }

    internal static bool Same(Map<double> a, Map<double> b, string key) =>
        a.TryGetValue(key, out var x) == b.TryGetValue(key, out var y) && x == y;
}
