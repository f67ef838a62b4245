namespace HomeStage.Core.Templates;

/// <summary>Names among the channels of a template; capitals make no difference.</summary>
public static class ChannelNames
{
    /// <returns>The name, or where a channel has it the next number of it that is free.</returns>
    /// <param name="own">Whose name it will be; what that one is called so far is free.</param>
    public static string FreeName(this Template template, string name, ChannelId? own = null) =>
        Numbering.Free(name, n => template.Channels.Any(c => c.Id != own && c.Name.Equals(n, StringComparison.OrdinalIgnoreCase)));
}
