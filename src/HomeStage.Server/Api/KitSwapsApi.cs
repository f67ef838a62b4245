using HomeStage.Core.Catalogue;
using HomeStage.Core.Kits;
using HomeStage.Core.Outputs;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using HomeStage.Server.Data.Shelf;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Another kit on the splits that are there: the catalogue's, the shelf's, another document's, a file's.</summary>
internal static class KitSwapsApi
{
    // Templates that are looked through for kits, the latest first.
    private const int MostElsewhere = 100;

    /// <summary>One of the four says which kit it is.</summary>
    /// <param name="Instrument">Id in the catalogue, of one that plays a kit.</param>
    /// <param name="Item">Id of a kit on the shelf.</param>
    /// <param name="Other">A kit of another document.</param>
    /// <param name="Kit">A kit that a file brought.</param>
    /// <param name="InPlaceOf">By name of a new piece or microphone the old one that it is to stand in for, null for none; the rest is paired.</param>
    public sealed record SwapRequest(ChannelId Channel, string? Instrument = null, string? Item = null, KitPlace? Other = null, Kit? Kit = null, IReadOnlyDictionary<string, string?>? InPlaceOf = null);

    /// <summary>Where a kit stands.</summary>
    public sealed record KitPlace(string Document, ChannelId Channel);

    /// <summary>A kit that another document holds.</summary>
    public sealed record KitElsewhere(string Document, string DocumentName, ChannelId Channel, string Name, int Pieces);

    public static void MapKitSwaps(this RouteGroupBuilder group)
    {
        group.MapPost("/{id}/kit-swaps", SwapAsync);
        group.MapGet("/{id}/kits-elsewhere", async Task<Ok<IReadOnlyList<KitElsewhere>>> (string id, DocumentLists lists, DocumentStore store, CancellationToken cancellation) =>
            TypedResults.Ok(await ElsewhereAsync(id, lists, store, cancellation)));
    }

    private static async Task<Results<Ok<KitSwap>, ProblemHttpResult>> SwapAsync(string id, SwapRequest asked, DocumentStore store, ShelfStore shelf, CancellationToken cancellation)
    {
        if (await store.OpenAsync(id, cancellation) is not { } document)
            return Problems.NotFound("document");
        if (SplitKit.Of(document.Template, asked.Channel.Value) is null)
            return Problems.NotFound("kit");
        if (asked.Kit is { } brought && KitRules.Check(brought) is { } wrong)
            return Problems.Refused(wrong);
        var playing = ((InstrumentSource)document.Template.Channels[asked.Channel].Source!).Instrument;
        return await NextAsync(asked, playing, store, shelf, cancellation) is { } next
            ? TypedResults.Ok(next.On(document.Template, asked.Channel, asked.InPlaceOf))
            : Problems.Refused(new Refusal.Missing("kit", asked.Instrument ?? asked.Item ?? asked.Other?.Channel.Value ?? "", "to swap to"));
    }

    private static async Task<OtherKit?> NextAsync(SwapRequest asked, string playing, DocumentStore store, ShelfStore shelf, CancellationToken cancellation) =>
        asked.Kit is { } brought ? OtherKit.FromFile(playing, brought)
        : asked.Item is { } item ? await shelf.FindAsync(item, cancellation) is { Content: KitContent kept } found ? new(kept.Instrument, kept.Kit, found) : null
        : asked.Other is { } place ? await store.OpenAsync(place.Document, cancellation) is { } other && other.Template.KitOf(place.Channel.Value) is { } theirs ? new(((InstrumentSource)other.Template.Channels[place.Channel].Source!).Instrument, theirs) : null
        : asked.Instrument is { } instrument && InstrumentCatalogue.Find(instrument)?.Kit is { } own ? new(instrument, own) : null;

    /// <summary>Documents that cannot be read hold none.</summary>
    private static async Task<IReadOnlyList<KitElsewhere>> ElsewhereAsync(string id, DocumentLists lists, DocumentStore store, CancellationToken cancellation)
    {
        var kits = new List<KitElsewhere>();
        foreach (var row in (await lists.AllAsync(DocumentKind.Template, cancellation)).Where(r => r.Id != id).Take(MostElsewhere))
        {
            try
            {
                if (await store.OpenAsync(row.Id, cancellation) is { } document)
                    kits.AddRange(from channel in document.Template.Channels
                                  let kit = SplitKit.Of(document.Template, channel.Id.Value)?.Kit
                                  where kit is not null
                                  select new KitElsewhere(row.Id, document.Template.Name, channel.Id, channel.Name, kit.Pieces.Count));
            }
            catch (DamagedDocumentException)
            {
                continue;
            }
        }

        return kits;
    }
}
