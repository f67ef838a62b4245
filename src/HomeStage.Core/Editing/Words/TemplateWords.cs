using System.Globalization;
using HomeStage.Core.Templates;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Editing.Words;

/// <summary>Edits of the template as a whole.</summary>
internal static class TemplateWords
{
    public static string? Of(Edit edit, Template t) => edit switch
    {
        Describe e => Described(e, t),
        SetMusicalKey e => e.Key is { } key ? $"The key is {key.Name}" : "The key waits for the song",
        SetSampling e => string.Create(CultureInfo.InvariantCulture, $"{e.SampleRateHz} Hz, pan law {LawName(e.PanLaw)}"),
        SetTimeline e => Timed(t.Timeline, e.Timeline.On(t.Timeline)),
        SetActs e => $"The acts are {string.Join(", ", e.Acts.Select(a => a.Name))}",
        AcceptFinding e => e.Note is null ? "A finding counts again" : "A finding is accepted as intended",
        PutGroove e => $"The groove {e.Groove.Name} is {(t.Grooves.Any(g => g.Name == e.Groove.Name) ? "changed" : "kept")}",
        RemoveGroove e => $"The groove {e.Name} is forgotten",
        PutPatch e => $"The patch {e.Patch.Name} is {(t.Patches.Any(p => p.Of == e.Patch.Of && p.Name == e.Patch.Name) ? "changed" : "kept")}",
        RemovePatch e => $"The patch {e.Name} is forgotten",
        PutAside e => e.Aside.Stays ? $"{e.Aside.Split.Name} carries others as well, and its strip is remembered as that of {string.Join(", ", e.Aside.Lines)}" : $"{e.Aside.Split.Name} is put aside with its strip",
        RemoveAside e => t.Aside.FirstOrDefault(a => a.Split.Id == e.Split) is { } aside ? $"{aside.Split.Name} is {(aside.Stays ? "back with its own pieces" : "taken from what was put aside")}" : $"{e.Split} is put aside no more",
        PutShelfCopy e => $"{PlaceName(e.Copy.Kind, e.Copy.Place, t)} is a copy of the shelf's, revision {e.Copy.Revision}",
        RemoveShelfCopy e => $"{PlaceName(e.Kind, e.Place, t)} is no copy of the shelf's any more",
        PutDefaultStrip e => $"New {ScopeWords.Of(e.Default.For)} come with {StripSummary.Of(e.Default.Strip)}",
        RemoveDefaultStrip e => $"New {ScopeWords.Of(e.For)} have no default of their own any more",
        SetFirstPatch e => e.Patch is { } first ? $"New ones of {Wording.Processor(e.Of)} begin with {first}" : $"New ones of {Wording.Processor(e.Of)} begin as they are",
        PutLever e => $"The lever {e.Lever.Name} is {(t.Levers.Any(l => l.Id == e.Lever.Id) ? "changed" : "new")}",
        RemoveLever e => $"The lever {t.Levers.FirstOrDefault(l => l.Id == e.Id)?.Name ?? e.Id} is removed",
        SetOpening e => e.Opening is null ? "It opens with everything unfolded" : "How it opens is changed",
        SetParent e => e.Parent is not { } parent ? $"It is based on {t.Parent?.Name ?? "another"} no more" : t.Parent?.Template == parent.Template ? $"The changes of {parent.Name} are looked through" : $"It is based on {parent.Name}",
        _ => null,
    };

    private static string PlaceName(ShelfKind kind, string place, Template t) => kind switch
    {
        ShelfKind.Kit => $"The kit of {ChannelName(place, t)}",
        ShelfKind.Machine => $"The machine of {ChannelName(place, t)}",
        ShelfKind.Chain => ShelfCopy.ChainOf(t, place) is var (of, chain) ? $"The chain {chain.Name} on {of.Name}" : $"A chain on {ChannelName(place.Split('/')[0], t)}",
        ShelfKind.SetPiece => $"The set piece of {ChannelName(place, t)}",
        ShelfKind.Rhythm => ShelfCopy.StarterOf(t, place) is var (on, starter) ? $"The starter {starter.Name} of {on.Name}" : $"A starter of {ChannelName(place.Split('/')[0], t)}",
        ShelfKind.Strip => $"The strip of {ChannelName(place, t)}",
        ShelfKind.Groove => $"The groove {place}",
        ShelfKind.Device => DevicePlace.Of(place) is { } at ? $"{at.In(t)?.Device?.Name ?? "The device"} on {t.Name(at.Channel)}" : "A device",
        _ => $"The patch {place[(place.IndexOf('/', StringComparison.Ordinal) + 1)..]}",
    };

    private static string ChannelName(string id, Template t) => Identifier.IsValid(id) && t.Channels.TryGet(new(id), out var channel) ? channel.Name : id;

    private static string Described(Describe e, Template t) => e switch
    {
        _ when e.Name != t.Name => $"It is now called {e.Name}",
        _ when e.Note != t.Note => "The prompt note is rewritten",
        _ when e.Category != t.Category => $"Its category is {(e.Category.Length > 0 ? e.Category : "none")}",
        _ => $"Its tags are {(e.Tags.Count > 0 ? string.Join(", ", e.Tags) : "none")}",
    };

    private static string Timed(Timeline was, Timeline now)
    {
        if (was.CountIn != now.CountIn && was.Equals(now with { CountIn = was.CountIn }))
            return Counted(now.CountIn);
        if (was.Sections.Equals(now.Sections) && was.Meter == now.Meter)
            return string.Create(CultureInfo.InvariantCulture, $"Tempo {was.TempoBpm:0.##} → {now.TempoBpm:0.##} quarter notes a minute");
        return was.Sections.Equals(now.Sections)
            ? $"Meter {was.Meter} → {now.Meter}"
            : Renamed(was, now) is { Count: > 0 } renamed ? string.Join(", ", renamed.Select(r => $"{r.Was} is called {r.Now}"))
            : $"The sections are {string.Join(", ", now.Sections.Select(s => $"{s.Name} ({Wording.Count(s.Bars, "bar")})"))}";
    }

    private static string Counted(CountIn? count) => count switch
    {
        null or { Bars: 0, Click: false } => "Nothing is counted in",
        { Bars: 0 } => "A click goes through the song",
        _ => $"{Wording.Count(count.Bars, "bar")} {(count.Bars == 1 ? "is" : "are")} counted in{(count.Click ? ", and a click goes through the song" : "")}",
    };

    /// <returns>Sections that are called otherwise; empty where anything else differs too.</returns>
    private static List<(string Was, string Now)> Renamed(Timeline was, Timeline now) =>
        was.Meter == now.Meter && was.TempoBpm == now.TempoBpm
        && was.Sections.Select(s => s with { Name = "" }).SequenceEqual(now.Sections.Select(s => s with { Name = "" }))
            ? [.. was.Sections.Zip(now.Sections).Where(x => x.First.Name != x.Second.Name).Select(x => (x.First.Name, x.Second.Name))]
            : [];

    private static string LawName(PanLaw law) => law switch
    {
        PanLaw.ConstantPower => "−3 dB at the centre",
        PanLaw.Compromise => "−4.5 dB at the centre",
        PanLaw.Linear => "−6 dB at the centre",
        _ => "0 dB at the centre",
    };
}
