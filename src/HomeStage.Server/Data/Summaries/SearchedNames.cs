using HomeStage.Core.Catalogue;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Data.Summaries;

/// <summary>What a search in the library looks through beyond what a bill shows.</summary>
internal static class SearchedNames
{
    private const int Longest = 200;

    public static Sequence<string> Of(Template template) =>
        [.. template.Channels.SelectMany(Of).Where(n => n.Length > 0).Select(n => n.Length > Longest ? n[..Longest] : n).Distinct(StringComparer.OrdinalIgnoreCase)];

    private static IEnumerable<string> Of(Channel channel)
    {
        yield return channel.Name;
        yield return channel.Note;
        if (channel.Source is InstrumentSource played)
        {
            yield return InstrumentCatalogue.Find(played.Instrument)?.Name ?? "";
            yield return played.Device?.Name ?? "";
        }

        foreach (var insert in channel.Inserts)
        {
            yield return insert.Device?.Name ?? "";
            foreach (var note in insert.Notes.Values)
                yield return note;
        }
    }
}
