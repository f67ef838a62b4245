using HomeStage.Core.Templates;
using HomeStage.Formats.DawProject;

namespace HomeStage.Formats.CallSheets;

/// <summary>All that the printable page of a template or song says.</summary>
/// <param name="Meter">"4/4".</param>
/// <param name="KeyName">"D minor"; null while it waits for the song.</param>
/// <param name="Channels">In the running order.</param>
/// <param name="Patches">Every pad's way.</param>
/// <param name="Handwork">What remains to be done by hand, in the order in which it is done.</param>
public sealed record CallSheet(
    string Name, string Note, double TempoBpm, string Meter, string? KeyName, IReadOnlyList<SheetSection> Sections, IReadOnlyList<SheetChannel> Channels, IReadOnlyList<SheetPatch> Patches, IReadOnlyList<SheetWork> Handwork);

/// <summary>A section with its length.</summary>
public sealed record SheetSection(string Name, int Bars, double Seconds);

/// <summary>A channel with all that leads to it and away.</summary>
/// <param name="Depth">How deep it stands, from 0.</param>
/// <param name="GoesTo">What it feeds; null for what feeds nothing.</param>
/// <param name="Inserts">By name, in the order of the signal, with how they stand.</param>
/// <param name="Sends">"Hall −12.0 dB", those that are set alike in one.</param>
/// <param name="Keys">What steers it, by name.</param>
/// <param name="InsertSettings">How those are set that do anything: "Compressor: threshold −18 dB, ratio 3:1".</param>
/// <param name="InsertNotes">What people are told of an insert or one of its values: "Compressor, threshold: leave it".</param>
public sealed record SheetChannel(
    ChannelId Id, string Name, int Depth, ChannelKind Kind, ChannelFormat Format, string ComesFrom, string? GoesTo, IReadOnlyList<string> Inserts, IReadOnlyList<string> Sends, IReadOnlyList<string> Keys, Decibels Level, double Pan, string Note, IReadOnlyList<string> InsertSettings, IReadOnlyList<string> InsertNotes);

/// <summary>As a <see cref="Core.Outputs.PatchLine"/> has it, with names.</summary>
public sealed record SheetPatch(string Player, string Name, int? Note, string Jack, string? Taker, string? Bus);

/// <summary>As a <see cref="Handwork"/> has it.</summary>
public sealed record SheetWork(HandworkKind Kind, ChannelId? Channel, string Words);
