using HomeStage.Core.Editing;

namespace HomeStage.Core.Reviews;

/// <summary>Something that most songs of a template have done to it, with what would spare the next one the same.</summary>
/// <param name="Key">What it is known by, so that it need not be said again: "review/level/bass".</param>
/// <param name="Sentence">With a full stop.</param>
/// <param name="Songs">Those that have done it.</param>
/// <param name="Edits">Take it into the template.</param>
public sealed record Review(string Key, string Sentence, Sequence<Evidence> Songs, Sequence<Edit> Edits);

/// <summary>What one song has done.</summary>
/// <param name="Song">Id of the song.</param>
/// <param name="Words">"−8.0 dB": what it says of the matter; empty where there is no more to say.</param>
public sealed record Evidence(string Song, string Title, string Words);

/// <summary>A song of a template, as its reviews know it.</summary>
/// <param name="Id">In the library.</param>
public sealed record ReviewedSong(string Id, string Title, SongChanges Changes);
