using HomeStage.Core.Roles;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Striking;

/// <summary>A channel and the one that holds its print: joined by a person, or told by the name.</summary>
internal sealed record PrintOf(Channel Channel, Channel Print)
{
    /// <returns>In the template's order. An audio channel that is called a print of nothing that is there is none: it is all that is left of it.</returns>
    public static IEnumerable<PrintOf> In(Template template)
    {
        var joined = template.Channels.Where(c => c.PrintTwin is not null).DistinctBy(c => c.PrintTwin).ToDictionary(c => c.PrintTwin!.Value);
        var byName = template.Channels.Where(c => !TakeName.Read(c.Name).Marks.HasFlag(TakeMarks.Print)).GroupBy(c => c.Name, StringComparer.OrdinalIgnoreCase).ToDictionary(g => g.Key, g => g.First(), StringComparer.OrdinalIgnoreCase);
        foreach (var channel in template.Channels.Where(c => c.Kind == ChannelKind.Audio))
        {
            if (joined.TryGetValue(channel.Id, out var of))
                yield return new(of, channel);
            else if (TakeName.Read(channel.Name) is { Marks: var marks, Stem: var stem } && marks.HasFlag(TakeMarks.Print) && (byName.GetValueOrDefault(stem) ?? SumOf(template, stem)) is { } printed)
                yield return new(printed, channel);
        }
    }

    /// <summary>"Mix print" and "Master bounce" are prints of the main.</summary>
    private static Channel? SumOf(Template template, string stem) => RoleReader.Read(stem).Role is "mix-bus" or "main" || stem.Equals("mix", StringComparison.OrdinalIgnoreCase) ? template.Main : null;
}
