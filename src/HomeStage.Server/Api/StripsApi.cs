using HomeStage.Core.Defaults;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Making;
using HomeStage.Core.Templates;
using HomeStage.Server.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HomeStage.Server.Api;

/// <summary>Default strips: what new channels get by themselves, and how those that are there stand to it.</summary>
internal static class StripsApi
{
    /// <param name="Words">Which channels it is for: "audio channels for lead voice".</param>
    public sealed record ScopeView(StripScope Scope, string Words);

    /// <param name="ComesWith">What it holds, in the order of the signal.</param>
    /// <param name="Following">How many channels have it as it is.</param>
    /// <param name="Altered">The channels that have it with something changed.</param>
    public sealed record DefaultStripView(StripScope Scope, string Words, IReadOnlyList<string> ComesWith, int Following, IReadOnlyList<ChannelId> Altered);

    /// <summary>How a channel stands to its default.</summary>
    /// <param name="Default">The default that says most for it; null where there is none.</param>
    /// <param name="Differs">What would bring it back, a sentence each; none where it follows.</param>
    /// <param name="Back">The edits that bring it back.</param>
    /// <param name="Others">How many other channels follow the same default.</param>
    /// <param name="Choices">What its strip could be made the default for.</param>
    public sealed record StripStandingView(ScopeView? Default, IReadOnlyList<string> Differs, IReadOnlyList<Edit> Back, int Others, IReadOnlyList<ScopeView> Choices);

    /// <param name="Channel">The channel whose strip shall be the default; null to forget the default.</param>
    public sealed record DefaultChangeRequest(StripScope Scope, ChannelId? Channel);

    public sealed record AlongView(ChannelId Channel, string Name, IReadOnlyList<Edit> Edits);

    /// <param name="Edit">Changes the default alone.</param>
    /// <param name="Words">What new channels come with from then on.</param>
    /// <param name="Along">Channels that follow it as it is, each with what takes it along.</param>
    /// <param name="Altered">Names of those that were altered, and stay as they are.</param>
    public sealed record DefaultChangeView(Edit Edit, string Words, IReadOnlyList<AlongView> Along, IReadOnlyList<string> Altered);

    /// <param name="Wishes">Made one after the other; at most <see cref="ComesWith.MostWishes"/>.</param>
    public sealed record MadeRequest(Sequence<ChannelWish> Wishes);

    /// <summary>What of a channel can be laid on others, in this document or another.</summary>
    /// <param name="Name">Of the channel.</param>
    /// <param name="Strip">Inserts and sends alone.</param>
    public sealed record CopiedStrip(string Name, Strip Strip, Decibels Level, double Pan);

    public static void MapStrips(this RouteGroupBuilder group)
    {
        group.MapGet("/{id}/channels/{channel}/strip", async Task<Results<Ok<CopiedStrip>, ProblemHttpResult>> (string id, string channel, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : !Identifier.IsValid(channel) || !document.Template.Channels.TryGet(new(channel), out var found) ? Problems.NotFound("channel")
            : TypedResults.Ok(new CopiedStrip(found.Name, StripLaying.Of(document.Template, found) with { NoteInput = null, Input = null, Stages = null }, found.Level, found.Pan)));
        group.MapGet("/{id}/default-strips", async Task<Results<Ok<IReadOnlyList<DefaultStripView>>, ProblemHttpResult>> (string id, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is { } document ? TypedResults.Ok(Listed(document.Template)) : Problems.NotFound("document"));
        group.MapPost("/{id}/default-strips", async Task<Results<Ok<DefaultChangeView>, ProblemHttpResult>> (string id, DefaultChangeRequest asked, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : asked.Channel is { } of && !document.Template.Channels.Contains(of) ? Problems.NotFound("channel")
            : DefaultChange.Of(document.Template, asked.Scope, asked.Channel is { } from ? DefaultChange.StripFor(document.Template, document.Template.Channels[from]) : null) switch
            {
                (null, var why) => Problems.Refused(why!),
                ({ } change, _) => TypedResults.Ok(ViewOf(document.Template, change)),
            });
        group.MapGet("/{id}/channels/{channel}/default-strip", async Task<Results<Ok<StripStandingView>, ProblemHttpResult>> (string id, string channel, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : !Identifier.IsValid(channel) || !document.Template.Channels.TryGet(new(channel), out var found) ? Problems.NotFound("channel")
            : TypedResults.Ok(StandingOf(document.Template, found)));
        group.MapPost("/{id}/channels/made", async Task<Results<Ok<IReadOnlyList<ComesWith>>, ProblemHttpResult>> (string id, MadeRequest asked, DocumentStore store, CancellationToken cancellation) =>
            await store.OpenAsync(id, cancellation) is not { } document ? Problems.NotFound("document")
            : ComesWith.Of(document.Template, asked.Wishes) switch
            {
                ({ } groups, _) => TypedResults.Ok(groups),
                (null, var why) => Problems.Refused(why!),
            });
    }

    private static IReadOnlyList<DefaultStripView> Listed(Template template)
    {
        var first = template.Channels.Select(c => (Channel: c, Covering: DefaultStrips.Covering(template, c))).Where(x => x.Covering.Count > 0)
            .ToLookup(x => x.Covering[0].For, x => (x.Channel.Id, Follows: Following.IsUnaltered(template, x.Channel)));
        return [.. template.Defaults.Select(d => new DefaultStripView(
            d.For, ScopeWords.Of(d.For), StripSummary.Parts(d.Strip), first[d.For].Count(f => f.Follows), [.. first[d.For].Where(f => !f.Follows).Select(f => f.Id)]))];
    }

    private static StripStandingView StandingOf(Template template, Channel channel)
    {
        var following = Following.Of(template, channel);
        var own = following.For.Count > 0 ? following.For[0] : null;
        var others = own is null ? 0 : template.Channels.Count(c => c.Id != channel.Id && (own.Kind is null || own.Kind == c.Kind) && DefaultStrips.Covering(template, c) is [var first, ..] && first.For == own && Following.IsUnaltered(template, c));
        return new(own is null ? null : ViewOf(own), following.Differs, following.Back, others, [.. ScopeWords.For(channel).Select(ViewOf)]);
    }

    private static ScopeView ViewOf(StripScope scope) => new(scope, ScopeWords.Of(scope));

    private static DefaultChangeView ViewOf(Template template, DefaultChange change) => new(
        change.Edit, change.Words,
        [.. change.Along.Select(a => new AlongView(a.Channel, template.Channels[a.Channel].Name, a.Edits))],
        [.. change.Altered.Select(id => template.Channels[id].Name)]);
}
