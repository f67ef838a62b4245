using HomeStage.Core.Media;

namespace HomeStage.Formats.Sfz;

/// <summary>What an SFZ file comes to as a kit.</summary>
/// <param name="LeftOut">What the file says besides, in words.</param>
public sealed record SfzKit(IReadOnlyList<SfzPiece> Pieces, IReadOnlyList<string> LeftOut);

/// <param name="Note">In [0, 127].</param>
/// <param name="Output">From 1.</param>
/// <param name="Pan">In [−1, 1].</param>
/// <param name="Layers">By ascending velocity, the first from 1.</param>
public sealed record SfzPiece(string Name, int Note, int Output, double Pan, IReadOnlyList<(int FromVelocity, MediaRef Sample)> Layers);
