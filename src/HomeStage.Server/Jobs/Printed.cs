using HomeStage.Core.Editing;
using HomeStage.Formats.Wave;

namespace HomeStage.Server.Jobs;

/// <summary>Instruments that were printed: their sounds wait, and one batch lays them down.</summary>
/// <param name="Silent">Names of those whose print holds nothing above −80 dBFS.</param>
/// <param name="Cut">Those that went over full scale.</param>
public sealed record Printed(Sequence<Edit> Edits, IReadOnlyList<string> Silent, IReadOnlyList<CutSound> Cut);
