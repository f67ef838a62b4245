using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Words;

/// <summary>Which channels a default strip is for, as people say it: "audio channels for lead voice".</summary>
public static class ScopeWords
{
    public static string Of(StripScope scope)
    {
        var kind = scope.Kind is { } of ? Kinds(of) : "channels";
        return scope switch
        {
            { Role: { } role } => $"{kind} for {Plain(role)}",
            { Family: { } family } => $"{kind} of the {Plain(family)}",
            _ => kind,
        };
    }

    /// <returns>The scopes that such a channel could have a default for, the one that says most first.</returns>
    public static IReadOnlyList<StripScope> For(Channel channel)
    {
        var role = ChannelRole.Of(channel);
        var scopes = new List<StripScope>();
        if (role.Role != RoleNames.Unknown)
            scopes.AddRange([new(channel.Kind, Role: role.Role), new(channel.Kind, Family: role.Family)]);
        scopes.Add(new(channel.Kind));
        if (role.Role != RoleNames.Unknown)
            scopes.Add(new(null, Family: role.Family));
        return scopes;
    }

    private static string Kinds(ChannelKind kind) => kind switch
    {
        ChannelKind.Audio => "audio channels",
        ChannelKind.Instrument => "instruments",
        ChannelKind.Split => "splits",
        ChannelKind.Bus => "buses",
        ChannelKind.Return => "returns",
        ChannelKind.Trigger => "triggers",
        ChannelKind.Direct => "direct channels",
        ChannelKind.Notes => "notes channels",
        ChannelKind.Main => "mains",
        _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "Unknown kind of channel."),
    };

    private static string Plain(string id) => id.Replace('-', ' ');
}
