using HomeStage.Core.Templates;

namespace HomeStage.Core.Patching;

/// <summary>One line of a patching table: where a channel's sound comes in, or where it goes out. What is null is not said, and stays.</summary>
/// <param name="Channel">By name.</param>
public sealed record PatchRow(string Channel)
{
    /// <summary>Where it stands in the table, from 1; 0 for none.</summary>
    public int Line { get; init; }

    /// <summary>Hardware inputs, numbered from 1: none, one, or two.</summary>
    public Sequence<int>? Inputs { get; init; }

    /// <summary>What the first input is called; empty for nothing.</summary>
    public string? InputName { get; init; }

    public string? SecondInputName { get; init; }

    /// <summary>Whether the input is heard.</summary>
    public bool? Monitored { get; init; }

    public bool? Armed { get; init; }

    /// <summary>Of a split: the number of its instrument's output.</summary>
    public int? Output { get; init; }

    /// <summary>Of the main and of direct channels: 1 is outputs 1–2.</summary>
    public int? Pair { get; init; }

    /// <summary>What the pair is called; empty for nothing.</summary>
    public string? PairName { get; init; }

    /// <returns>Every channel that can take hardware inputs, in the template's order.</returns>
    public static IEnumerable<PatchRow> OfInputs(Template template) =>
        from channel in template.Channels
        where Capabilities.Of(channel.Kind).TakesInputs && channel.Source is null or InputSource
        let input = channel.Source as InputSource
        select new PatchRow(channel.Name)
        {
            Inputs = input is null ? [] : input.Second is { } second ? [input.First, second] : [input.First],
            InputName = input?.FirstName ?? "",
            SecondInputName = input?.SecondName ?? "",
            Monitored = input?.Monitored,
            Armed = input?.Armed,
        };

    /// <returns>Every split, and every channel that goes to a hardware pair, in the template's order.</returns>
    public static IEnumerable<PatchRow> OfOutputs(Template template) =>
        from channel in template.Channels
        where channel.Source is OutputSource || Capabilities.Of(channel.Kind).GoesToAnOutput
        select new PatchRow(channel.Name)
        {
            Output = (channel.Source as OutputSource)?.Output,
            Pair = channel.OutputPair,
            PairName = channel.OutputPair is null ? null : channel.OutputName ?? "",
        };
}
