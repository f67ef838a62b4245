using System.Globalization;
using HomeStage.Core.Editing;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Fitting;

/// <summary>How what goes to the outputs meets those of an interface: by name, then by number; what lies beyond goes where the main goes.</summary>
internal static class OutputFit
{
    public static IEnumerable<FitLine> Lines(Template template, AudioInterface audio)
    {
        if (audio.OutputPairs == 0)
            yield break;
        var mains = Here(template.Main, audio) ?? 1;
        foreach (var channel in template.Channels)
        {
            if (channel.OutputPair is not { } pair)
                continue;
            var here = Here(channel, audio);
            var taken = here ?? mains;
            var name = audio.PairName(taken);
            Sequence<Edit> edits = taken == pair && name == channel.OutputName ? [] : [new SetOutputPair(channel.Id, taken, name)];
            yield return new(FitKind.Output, channel.Id, Spoken(pair, channel.OutputName), here is null ? null : Spoken(taken, name),
                here is null ? $"beyond the {audio.Outputs.Count} outputs here" : taken == pair ? null : "found by its name",
                [new($"goes to {Spoken(taken, name)}", edits), .. here is null ? [new FitChoice("stays as it is", [])] : Array.Empty<FitChoice>()]);
        }
    }

    internal static string Spoken(int pair, string? name) => string.Create(CultureInfo.InvariantCulture, $"{2 * pair - 1}–{2 * pair}{(name is null ? "" : $" · {name}")}");

    private static int? Here(Channel channel, AudioInterface audio)
    {
        var named = channel.OutputName is { } name ? Enumerable.Range(1, audio.OutputPairs).FirstOrDefault(p => string.Equals(audio.PairName(p), name, StringComparison.OrdinalIgnoreCase)) : 0;
        return named > 0 ? named : channel.OutputPair <= audio.OutputPairs ? channel.OutputPair : null;
    }
}
