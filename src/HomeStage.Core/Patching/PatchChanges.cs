using HomeStage.Core.Editing;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Patching;

/// <summary>What a patching table changes in a template.</summary>
/// <param name="Edits">One batch; empty where nothing differs.</param>
/// <param name="LeftOut">Lines that were not taken, each in a sentence.</param>
public sealed record PatchChanges(Sequence<Edit> Edits, Sequence<string> LeftOut)
{
    public static PatchChanges Of(Template template, IEnumerable<PatchRow> rows)
    {
        var (work, left) = (new GatheredEdits(template), new List<string>());
        var seen = new HashSet<ChannelId>();
        foreach (var row in rows)
        {
            var called = template.Channels.Where(c => c.Name.Equals(row.Channel, StringComparison.OrdinalIgnoreCase)).ToList();
            if (called.Count != 1)
                left.Add(called.Count == 0 ? $"{At(row)}no channel is called {row.Channel}." : $"{At(row)}{called.Count} channels are called {row.Channel}.");
            else if (!seen.Add(called[0].Id))
                left.Add($"{At(row)}{row.Channel} stands in it twice.");
            else if (Unfitting(called[0], row) is { } unfitting)
                left.Add($"{At(row)}{unfitting}");
            else if (Change(work.Now.Channels[called[0].Id], row) is { } edit && work.DoWithoutLoop(edit) is { } why)
                left.Add($"{At(row)}{why.Sentence}");
        }

        return new(work.Edits, left.ToSequence());
    }

    private static string At(PatchRow row) => row.Line > 0 ? $"Line {row.Line}: " : "";

    private static string? Unfitting(Channel channel, PatchRow row) =>
        row.Inputs is { Count: > 0 } && !Capabilities.Of(channel.Kind).TakesInputs ? $"{channel.Name} takes no hardware input."
        : row.Inputs is { Count: > 2 } ? $"{channel.Name} takes one input or two."
        : row.Inputs is { Count: 2 } and [var first, var second] && first == second ? $"{channel.Name} would take input {first} on both sides."
        : row.Inputs is { Count: > 0 } && channel.Source is not (null or InputSource) ? $"{channel.Name} takes its sound from elsewhere."
        : row.Output is not null && channel.Source is not OutputSource ? $"{channel.Name} takes no output of an instrument."
        : row.Pair is not null && !Capabilities.Of(channel.Kind).GoesToAnOutput ? $"{channel.Name} goes to no hardware output by itself."
        : null;

    /// <returns>Null where the row says what is there.</returns>
    private static Edit? Change(Channel channel, PatchRow row)
    {
        if (row.Output is { } output)
            return channel.Source is OutputSource split && split.Output != output ? new SetSource(channel.Id, split with { Output = output }) : null;
        if (row.Pair is not null || row.PairName is not null)
        {
            var (pair, name) = (row.Pair ?? channel.OutputPair ?? 1, row.PairName is { } said ? Named(said) : channel.OutputName);
            return Capabilities.Of(channel.Kind).GoesToAnOutput && (pair, name) != (channel.OutputPair, channel.OutputName) ? new SetOutputPair(channel.Id, pair, name) : null;
        }

        return Input(channel, row);
    }

    private static Edit? Input(Channel channel, PatchRow row)
    {
        var was = channel.Source as InputSource;
        if (row.Inputs is { Count: 0 })
            return was is null ? null : new SetSource(channel.Id, null);
        var first = row.Inputs is { Count: > 0 } ? row.Inputs[0] : was?.First;
        if (first is not { } number)
            return null;
        var second = row.Inputs is null ? was?.Second : row.Inputs.Count == 2 ? row.Inputs[1] : (int?)null;
        var input = (was ?? new InputSource(number, Monitored: true)) with
        {
            First = number,
            Second = second,
            FirstName = row.InputName is { } name ? Named(name) : was?.FirstName,
            SecondName = second is null ? null : row.SecondInputName is { } other ? Named(other) : was?.SecondName,
            Monitored = row.Monitored ?? was?.Monitored ?? true,
            Armed = row.Armed ?? was?.Armed ?? false,
        };
        return input == was ? null : new TakeInput(channel.Id, input);
    }

    private static string? Named(string name) => name.Length == 0 ? null : name;
}
