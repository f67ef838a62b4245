using System.Collections.Concurrent;
using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Templates;
using HomeStage.Server.Data.Sounds;

namespace HomeStage.Server.Data.Studios;

/// <summary>What lies around a template: its sounds, the studio that is on, and the song that it was struck from.</summary>
public sealed class StageAround(MediaStore media, StudioDesk desk, DocumentLists lists, RevisionLog log)
{
    private const int MostSongs = 16;

    // A revision never changes; that it is the same object is how findings know that nothing around has.
    private readonly ConcurrentDictionary<(string Song, int Revision), Template?> _songs = new();

    /// <param name="document">Id of the document.</param>
    /// <param name="template">As it is, or as it would be.</param>
    public async Task<Surroundings> OfAsync(string document, Template template, CancellationToken cancellation) => media.Around(template) with
    {
        Studio = (await desk.OnAsync(cancellation))?.Studio,
        StruckFrom = await lists.StruckFromAsync(document, cancellation) is var (song, revision) ? await SongAsync(song, revision, cancellation) : null,
    };

    /// <returns>Null where it cannot be read any more.</returns>
    private async Task<Template?> SongAsync(string song, int revision, CancellationToken cancellation)
    {
        if (_songs.TryGetValue((song, revision), out var known))
            return known;
        if (_songs.Count >= MostSongs)
            _songs.Clear();
        try
        {
            return _songs.GetOrAdd((song, revision), await log.TemplateAtAsync(song, revision, cancellation));
        }
        catch (DamagedDocumentException)
        {
            return null;
        }
    }
}
