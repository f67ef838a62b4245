using HomeStage.Core.Media;

namespace HomeStage.Core.Machines;

/// <summary>A sound of a folder, as it was brought.</summary>
/// <param name="Path">Its name in the folder, with those of the folders around it: "Hats/open 2.wav".</param>
public sealed record FolderSound(string Path, MediaRef Sound);
