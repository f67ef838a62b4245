using HomeStage.Core.Catalogue;
using HomeStage.Core.Colours;
using HomeStage.Core.Devices;
using HomeStage.Core.Roles;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Editing.Rules;

/// <summary>What one channel must keep to within its template. Every edit of a channel is held against this.</summary>
internal static class ChannelRules
{
    public const int MostInserts = 32;
    public const int MostPatterns = 64;
    private const int MostNotes = 64;
    private const int LongestInsertNote = 400;

    /// <returns>The first thing that is wrong, or null.</returns>
    public static Refusal? Check(Template template, Channel channel) =>
        TextRules.Name("A channel's name", channel.Name)
        ?? TextRules.Note($"The note on {channel.Name}", channel.Note)
        ?? CheckRole(channel)
        ?? CheckLevels(channel)
        ?? CheckStages(template, channel)
        ?? DestinationRules.Check(template, channel)
        ?? SourceRules.Check(template, channel)
        ?? CheckPatterns(channel)
        ?? NoteInputRules.Check(template, channel)
        ?? StarterRules.Check(channel)
        ?? ShapeRules.Check(channel)
        ?? CheckTwin(template, channel)
        ?? CheckInserts(template, channel)
        ?? ConnectionRules.Check(template, channel);

    private static Refusal? CheckLevels(Channel channel)
    {
        if (channel.Level > Decibels.FaderTop)
            return new Refusal.OutOfRange($"The level of {channel.Name}", channel.Level.Value, double.NegativeInfinity, 6, "dB");
        if (!(channel.Pan >= -1 && channel.Pan <= 1))
            return new Refusal.OutOfRange($"The pan of {channel.Name}", channel.Pan, -1, 1, "");
        if (channel.HueDegrees is { } hue && !(hue >= 0 && hue < 360))
            return new Refusal.OutOfRange($"The hue of {channel.Name}", hue, 0, 359.999, "degrees");
        if (channel.HueDegrees is { } chosen && Palette.IsLamps(chosen))
            return new Refusal.LampHue(channel.Name, Palette.LampFromDegrees, Palette.LampToDegrees);
        return null;
    }

    private static Refusal? CheckStages(Template template, Channel channel)
    {
        var stray = channel.Stages.Keys.FirstOrDefault(id => template.Acts.All(a => a.Id != id));
        return stray is null ? null : new Refusal.Missing("act", stray, "in this template");
    }

    private static Refusal? CheckPatterns(Channel channel)
    {
        if (channel.Patterns.Count == 0)
            return null;
        if (channel.Source is not InstrumentSource && channel.Kind != ChannelKind.Notes)
            return new Refusal.WrongPlace(channel.Name, "plays no instrument, so it holds no pattern");
        if (channel.Patterns.Count > MostPatterns)
            return new Refusal.TooMany($"patterns on {channel.Name}", MostPatterns);
        return channel.Patterns.Select(PatternRules.Check).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(channel.Patterns.Select(p => p.Name), $"pattern on {channel.Name}");
    }

    private static Refusal? CheckRole(Channel channel) =>
        channel.Role is { } role && !RoleNames.All.Contains(role) ? new Refusal.Missing("role", role, "among those that are known") : null;

    private static Refusal? CheckTwin(Template template, Channel channel)
    {
        if (channel.PrintTwin is not { } twin)
            return null;
        if (channel.Source is not (InstrumentSource or OutputSource))
            return new Refusal.WrongPlace(channel.Name, "plays no instrument, so there is nothing to print");
        if (!template.Channels.TryGet(twin, out var target))
            return new Refusal.UnknownChannel(twin);
        return Capabilities.Of(target.Kind).Records ? null : new Refusal.WrongPlace(channel.Name, $"cannot be printed to {target.Name}: only an audio channel takes a print");
    }

    internal static Refusal? CheckInserts(Template template, Channel channel)
    {
        if (channel.Inserts.Count > MostInserts)
            return new Refusal.TooMany($"inserts on {channel.Name}", MostInserts);
        return channel.Inserts.Select(i => CheckInsert(template, channel, i)).FirstOrDefault(r => r is not null)
            ?? Doubles.Check(channel.Inserts.Select(i => i.Id.Value), $"insert on {channel.Name}")
            ?? ChainRules.Check(channel);
    }

    private static Refusal? CheckInsert(Template template, Channel channel, Insert insert)
    {
        if (ProcessorCatalogue.Find(insert.Processor) is not { } kind)
            return new Refusal.Missing("processor", insert.Processor, "in the catalogue");
        if (kind.StandsInOnly && insert.Device is null)
            return new Refusal.WrongPlace($"An insert on {channel.Name}", "stands in for no device, so it needs a processor");
        if (insert.Key is not null && !insert.TakesKey())
            return new Refusal.WrongPlace($"{insert.Title()} on {channel.Name}", "has no key input");
        if (insert.Trigger is not null && !kind.HasTrigger)
            return new Refusal.WrongPlace($"{kind.Name} on {channel.Name}", "is restarted by nothing");
        if (insert.Trigger is { } trigger && trigger.Notes.IndexWhere(n => !template.Channels.Contains(n)) is >= 0 and var lost)
            return new Refusal.UnknownChannel(trigger.Notes[lost]);
        if (insert.ParkedIn.FirstOrDefault(id => template.Acts.All(a => a.Id != id)) is { } stray)
            return new Refusal.Missing("act", stray, "in this template");
        if (insert.WaitsFor is { } wait && TextRules.Note($"What {kind.Name} on {channel.Name} waits for", wait.Note, TextRules.LongestName) is { } badNote)
            return badNote;
        if (insert.KeptForAutomation && insert.Processor != ProcessorCatalogue.Gain)
            return new Refusal.WrongPlace($"{insert.Title()} on {channel.Name}", "is no gain stage, so it does not stand in for the fader");
        return (insert.Device is { } device ? DeviceRules.Check(device) : null)
            ?? CheckNotes(channel, insert)
            ?? SettingRules.Check($"{insert.Title()} on {channel.Name}", insert.Parameters(), insert.Settings, insert.Device is not null)
            ?? insert.Trigger?.Check($"{kind.Name} on {channel.Name}")
            ?? CheckCorner(insert.Key?.LowCutHz, channel.Name)
            ?? CheckCorner(insert.Key?.HighCutHz, channel.Name);
    }

    private static Refusal? CheckNotes(Channel channel, Insert insert)
    {
        // A note on a control that its device has no more stays: the device may come back.
        if (insert.Notes.Count > MostNotes)
            return new Refusal.TooMany($"notes on {insert.Title()} on {channel.Name}", MostNotes);
        return insert.Notes.Keys.Where(k => k.Length > 0 && !Identifier.IsValid(k)).Select(k => new Refusal.Missing("control", k, $"on {insert.Title()}")).FirstOrDefault()
            ?? insert.Notes.Values.Select(n => TextRules.Note($"A note on {insert.Title()} on {channel.Name}", n, LongestInsertNote)).FirstOrDefault(r => r is not null);
    }

    internal static Refusal? CheckCorner(double? hz, string name) =>
        hz is null || (hz >= 20 && hz <= 20000) ? null : new Refusal.OutOfRange($"The key filter on {name}", hz.Value, 20, 20000, "Hz");
}
