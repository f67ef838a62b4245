using System.Globalization;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Kits;
using HomeStage.Core.Media;
using HomeStage.Core.Notes;
using HomeStage.Core.Pieces;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Shelf;

/// <summary>What an item of the shelf holds.</summary>
public abstract record ShelfContent
{
    public abstract ShelfKind Kind { get; }

    /// <summary>What it is about, in a few words: "14 pieces, 8 pairs".</summary>
    public abstract string Words { get; }

    /// <summary>Uploaded sounds that it needs.</summary>
    public virtual IReadOnlyList<MediaRef> Sounds => [];

    /// <returns>The first thing that is wrong, or null.</returns>
    public abstract Refusal? Check();

    private protected static string Counted(int count, string one) => count == 1 ? $"1 {one}" : $"{count} {one}s";
}

/// <summary>A kit, wired as it is.</summary>
/// <param name="Instrument">Id in the catalogue of what plays it.</param>
public sealed record KitContent(string Instrument, Kit Kit) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.Kit;

    public override string Words =>
        $"{Counted(Kit.Pieces.Count, "piece")}{(Kit.Lines.Count > Kit.Pieces.Count ? $", {Counted(Kit.Lines.Count, "microphone")}" : "")}, {KitOutput.Spoken(Kit.Outputs)}{(Sounds.Count > 0 ? $", {Counted(Sounds.Count, "sound")}" : "")}";

    public override IReadOnlyList<MediaRef> Sounds =>
        [.. Kit.Pieces.SelectMany(p => p.Layers.Select(l => l.Sample).Prepend(p.Sample)).OfType<MediaRef>().DistinctBy(s => s.Content)];

    public override Refusal? Check() => InstrumentCatalogue.Find(Instrument) is not { Kit: not null }
        ? new Refusal.Missing("instrument that plays a kit", Instrument, "in the catalogue")
        : KitRules.Check(Kit);
}

/// <summary>The jacks of an instrument.</summary>
/// <param name="FirstReserved">Whether the first output is kept for the rest.</param>
/// <param name="Use">How plans use the jacks; null for as the outputs show.</param>
public sealed record MachineContent(Sequence<KitOutput> Outputs, bool FirstReserved, JackUse? Use) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.Machine;

    public override string Words => KitOutput.Spoken(Outputs);

    /// <summary>A kit on these jacks.</summary>
    public Kit Carrying(Kit kit) => kit with { Outputs = Outputs, FirstReserved = FirstReserved, Jacks = Use };

    public override Refusal? Check() => KitRules.Check(Carrying(new([Piece.Pad("Any", 0, "", 1, DrumSound.Kick)], Outputs)));
}

public sealed record GrooveContent(Groove Groove) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.Groove;

    public override string Words => Counted(Groove.Steps.Count, "step");

    public override Refusal? Check() => Editing.Rules.TemplateRules.CheckParts(EmptyStage.Create("Shelf") with { Grooves = [Groove] });
}

/// <summary>A starter that plays in all sections, with what its notes strike and how they are felt.</summary>
/// <param name="Pieces">Of a kit those that it strikes, by note; none where its notes are pitches.</param>
/// <param name="Groove">Null for straight.</param>
public sealed record RhythmContent(Pattern Pattern, Sequence<RhythmPiece> Pieces, Groove? Groove = null) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.Rhythm;

    public override string Words => string.Join(", ", new[]
    {
        string.Create(CultureInfo.InvariantCulture, $"{Pattern.LengthTicks / (double)Ticks.PerQuarter:0.##} quarter notes long"),
        Pieces.Count is 0 or > MostNamed ? Counted(Pattern.Notes.Count, "note") : string.Join(", ", Pieces.Select(p => p.Name)),
        Groove is { } groove ? $"felt as {groove.Name}" : "",
    }.Where(w => w.Length > 0));

    private const int MostNamed = 4;

    public static RhythmContent Of(Template template, Channel channel, Pattern starter)
    {
        var struck = starter.Notes.Select(n => n.Number).ToHashSet();
        var pieces = channel.Source is InstrumentSource { Kit: { } kit } ? kit.Pieces.Where(p => struck.Contains(p.Note)) : [];
        return new(
            starter with { Sections = [] },
            pieces.OrderBy(p => p.Note).Select(p => new RhythmPiece(p.Note, p.Name, p.Family)).ToSequence(),
            template.Grooves.FirstOrDefault(g => g.Name == channel.Groove));
    }

    public override Refusal? Check() =>
        PatternRules.Check(Pattern)
        ?? (Pattern.Sections.Count > 0 ? new Refusal.WrongPlace(Pattern.Name, "is on the shelf, where there are no sections") : null)
        ?? (Pieces.Count == 0 ? null : KitRules.Check(new(Pieces.Select(p => Piece.Pad(p.Name, p.Note, p.Family, 1, DrumSound.Kick)).ToSequence(), [new("All", ChannelFormat.Stereo)])))
        ?? (Groove is null ? null : new GrooveContent(Groove).Check());
}

/// <summary>What a note of a rhythm strikes.</summary>
/// <param name="Note">MIDI note number, in [0, 127].</param>
/// <param name="Family">As a <see cref="Piece"/> has it.</param>
public sealed record RhythmPiece(int Note, string Name, string Family);

/// <summary>Settings of an instrument or a processor.</summary>
public sealed record PatchContent(Patch Patch) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.Patch;

    public override string Words => $"for {InstrumentCatalogue.Find(Patch.Of)?.Name ?? ProcessorCatalogue.Find(Patch.Of)?.Name ?? Patch.Of}";

    public override Refusal? Check() => Editing.Rules.TemplateRules.CheckParts(EmptyStage.Create("Shelf") with { Patches = [Patch] });
}

/// <summary>A strip, to be laid on channels.</summary>
/// <param name="For">What it is the default for in every new template; null for a strip that is only kept.</param>
public sealed record StripContent(Strip Strip, StripScope? For = null) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.Strip;

    public override string Words => For is { } scope ? $"{StripSummary.Of(Strip)} — for {ScopeWords.Of(scope)} in new templates" : StripSummary.Of(Strip);

    public override Refusal? Check() => Editing.Rules.TemplateRules.CheckParts(EmptyStage.Create("Shelf") with { Defaults = [new(For ?? new(ChannelKind.Audio), Strip)] });
}

/// <summary>A chain, to be put into strips.</summary>
/// <param name="Strip">Says its inserts and the one chain that they are.</param>
public sealed record ChainContent(Strip Strip) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.Chain;

    public override string Words => Strip.Chains is [{ Controls.Count: > 0 } chain] ? $"{StripSummary.Of(Strip)}; {string.Join(", ", chain.Controls.Select(c => c.Name))}" : StripSummary.Of(Strip);

    public override Refusal? Check() => new Editing.LayChain([EmptyStage.MixBus], Strip).ApplyTo(EmptyStage.Create("Shelf")) is Editing.EditResult.Refused refused ? refused.Why : null;
}

/// <summary>A part of a template, to be put into others.</summary>
/// <param name="Key">What calls it in the running order: one letter or digit that a person has chosen; null for none.</param>
public sealed record SetPieceContent(SetPiece Piece, string? Key = null) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.SetPiece;

    public override string Words => Piece.Words;

    public override IReadOnlyList<MediaRef> Sounds => [.. Piece.Own.SelectMany(UsedSounds.Of).DistinctBy(s => s.Content)];

    public override Refusal? Check() => Key is null or [>= '0' and <= '9'] or [>= 'a' and <= 'z'] ? Piece.Check() : new Refusal.WrongPlace(Key, "calls nothing: a set piece is called by one small letter or a digit");
}

/// <summary>An outside device with what is heard in its place.</summary>
/// <param name="StandIn">Id in the instrument or processor catalogue.</param>
/// <param name="Settings">Values of the stand-in that differ from its defaults.</param>
public sealed record DeviceContent(OutsideDevice Device, string StandIn, Map<double> Settings) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.Device;

    public bool IsInstrument => InstrumentCatalogue.Find(StandIn) is not null;

    public override string Words => string.Join(", ", new[]
    {
        IsInstrument ? "instrument" : "insert",
        Device.Format,
        Device.Maker,
        Device.Controls.Count > 0 ? Counted(Device.Controls.Count, "control") : "",
        Device.Latency is { } latency ? string.Create(CultureInfo.InvariantCulture, $"{latency.Milliseconds:0.0} ms") : "latency unknown",
    }.Where(w => w.Length > 0));

    public override Refusal? Check() => DeviceRules.Check(Device)
        ?? (InstrumentCatalogue.Find(StandIn)?.Parameters ?? ProcessorCatalogue.Find(StandIn)?.Parameters) switch
        {
            null => new Refusal.Missing("instrument or processor", StandIn, "in the catalogue"),
            { } parameters => Editing.Rules.SettingRules.Check(Device.Name, parameters.Concat(Device.Controls.Select(c => c.Parameter)), Settings, isDevice: true),
        };
}

/// <summary>A studio with what is in it.</summary>
public sealed record StudioContent(Studio Studio) : ShelfContent
{
    public override ShelfKind Kind => ShelfKind.Studio;

    public override string Words => string.Create(CultureInfo.InvariantCulture,
        $"{Studio.Interface.Inputs.Count} in, {Studio.Interface.Outputs.Count} out, {Studio.Interface.BufferFrames} frames, {Counted(Studio.Devices.Count, "device")}");

    public override Refusal? Check() => StudioRules.Check(Studio);
}
