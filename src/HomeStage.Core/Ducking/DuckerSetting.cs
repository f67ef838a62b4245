using System.Globalization;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Playing;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Ducking;

/// <summary>One value that makes a ducker do what it does, for people: "Release", "142 ms".</summary>
public sealed record DuckerSetting(string Name, string Value)
{
    private static readonly string[] OfCompressor = ["threshold-db", "ratio", "attack-ms", "hold-ms", "release-ms"];
    private static readonly string[] OfDucker = ["depth-db", "length-quarters"];

    /// <summary>What a ducker is set to, and how long the key tones are that it hears.</summary>
    /// <param name="tempoBpm">At which a note's length is reckoned.</param>
    public static IEnumerable<DuckerSetting> Of(Template template, Ducker ducker, double tempoBpm)
    {
        var insert = template.Channels[ducker.Channel].Inserts.First(i => i.Id == ducker.Insert);
        foreach (var id in ducker.Way == DuckingWay.Level ? OfCompressor : OfDucker)
        {
            var parameter = insert.Find(id)!;
            yield return new(parameter.Name, Wording.Value(parameter, Math.Round(insert.Kind().Value(insert.Settings, id), 2)));
        }

        if (ducker.Way == DuckingWay.Level)
            foreach (var trigger in ducker.By.Where(template.Channels.Contains).Select(by => template.Channels[by]))
                if (ToneMs(trigger, tempoBpm) is { } ms)
                    yield return new("Key tone", string.Create(CultureInfo.InvariantCulture, $"{ms:0.#} ms"));
    }

    /// <summary>How long a trigger's tone is: what it holds, or its shortest note, and its release. Null for what is no key tone, or has no notes.</summary>
    private static double? ToneMs(Channel trigger, double tempoBpm)
    {
        var notes = trigger.Patterns.SelectMany(p => p.Notes).ToList();
        return trigger.Source is not InstrumentSource tone || !KeyTone.Is(tone) || (notes.Count == 0 && KeyTone.LengthMs(tone, 0) == 0) ? null
            : KeyTone.LengthMs(tone, NoteValue.Milliseconds((double)notes.Select(n => n.LengthTicks).DefaultIfEmpty(0).Min() / Ticks.PerQuarter, tempoBpm));
    }
}
