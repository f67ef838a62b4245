using HomeStage.Core.Kits;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Words;

/// <summary>Edits of an instrument's kit.</summary>
internal static class KitWords
{
    public static string? Of(Edit edit, Template t) => edit switch
    {
        SetPieceSound { Sound: { } sound } e => $"{e.Piece} of {t.Name(e.Channel)} plays {sound.Title}",
        SetPieceSound e => $"{e.Piece} of {t.Name(e.Channel)} plays its stand-in voice",
        SetPiecePlace { Stay: PieceStay.Alone } e => $"{e.Piece} of {t.Name(e.Channel)} keeps an output to itself",
        SetPiecePlace { Stay: PieceStay.OnFirst } e => $"{e.Piece} of {t.Name(e.Channel)} stays on the first output",
        SetPiecePlace e => $"{e.Piece} of {t.Name(e.Channel)} stands where the plan puts it, with importance {e.Importance}",
        PutPiece { InPlaceOf: null } e => $"{e.Piece.Name} joins {t.Name(e.Channel)}, on note {e.Piece.Note}",
        PutPiece e when e.Piece.Name != e.InPlaceOf => $"{e.InPlaceOf} of {t.Name(e.Channel)} is called {e.Piece.Name}",
        PutPiece e => $"{e.Piece.Name} of {t.Name(e.Channel)}: {Changes(t.KitOf(e.Channel.Value)?.Pieces.FirstOrDefault(p => p.Name == e.InPlaceOf), e.Piece)}",
        RemovePieces e => $"{string.Join(", ", e.Names)} {(e.Names.Count == 1 ? "leaves" : "leave")} {t.Name(e.Channel)}",
        PutFarMicrophone { InPlaceOf: null } e => $"{e.Microphone.Microphone.Name} hears {t.Name(e.Channel)} from afar",
        PutFarMicrophone e => $"{e.Microphone.Microphone.Name} of {t.Name(e.Channel)} is set anew",
        PutKitOutput { Number: null } e => $"{t.Name(e.Channel)} gets the output {e.Output.Name}, {Width(e.Output.Format)}",
        PutKitOutput e => $"Output {e.Number} of {t.Name(e.Channel)} is {e.Output.Name}, {Width(e.Output.Format)}",
        RemoveKitOutput e => $"{t.Name(e.Channel)} loses output {e.Number}",
        SendToOutput e => $"{string.Join(", ", e.Lines)} of {t.Name(e.Channel)} {(e.Lines.Count == 1 ? "leaves" : "leave")} by {OutputName(t.KitOf(e.Channel.Value), e.Output)}",
        PinTogether { Word: null } e => $"{string.Join(", ", e.Lines)} of {t.Name(e.Channel)} may be parted",
        PinTogether e => $"{string.Join(", ", e.Lines)} of {t.Name(e.Channel)} stay together",
        KeepFamilyWhole e => $"{e.Family} of {t.Name(e.Channel)} {(e.On ? "stays whole" : "may be divided")}",
        SetKitUse e => $"{t.Name(e.Channel)} {(e.FirstReserved ? "keeps its first output for the rest" : "uses its first output like any other")}; mono pieces {(e.MonoSharesPairs ? "share a pair" : "take one each")}",
        SetOutputs e when CameToOrLeftFirst(t.KitOf(e.Channel.Value), e) is { Count: > 0 } lines =>
            $"{string.Join(", ", lines.Select(l => l.Name))} of {t.Name(e.Channel)} {(lines.Count == 1 ? "leaves" : "leave")} {(lines[0].Microphone.AlsoOnFirst ? "by the first output as well" : "the first output")}",
        SetOutputs e => $"{t.Name(e.Channel)} shares its outputs out anew",
        _ => null,
    };

    /// <returns>The lines that come to the first output beside their own, or leave it, where nothing else changes.</returns>
    private static List<KitLine> CameToOrLeftFirst(Kit? was, SetOutputs edit)
    {
        if (was is null || edit.Splits.Count > 0)
            return [];
        var changed = edit.Kit.Lines.Zip(was.Lines).Where(l => l.First.Microphone.AlsoOnFirst != l.Second.Microphone.AlsoOnFirst).Select(l => l.First).ToList();
        bool IsAll() => edit.Kit.Equals(was.Rewired(l => l.Microphone with { AlsoOnFirst = edit.Kit.Lines[l.Index].Microphone.AlsoOnFirst }));
        return edit.Kit.Lines.Count == was.Lines.Count && changed.Select(l => l.Microphone.AlsoOnFirst).Distinct().Count() == 1 && IsAll() ? changed : [];
    }

    private static string OutputName(Kit? kit, int number) =>
        number == 1 ? "the first output" : kit is not null && number >= 1 && number <= kit.Outputs.Count ? kit.JackLabel(number) : $"output {number}";

    private static string Width(ChannelFormat format) => format == ChannelFormat.Mono ? "mono" : "stereo";

    private static string Changes(Piece? was, Piece now)
    {
        var changes = new List<string>();
        if (was?.Note != now.Note)
            changes.Add($"note {now.Note}");
        if (was?.Family != now.Family)
            changes.Add(now.Family.Length == 0 ? "no family" : $"family {now.Family}");
        if (was?.Sound != now.Sound)
            changes.Add("another voice");
        if (was?.Microphones.Count != now.Microphones.Count)
            changes.Add(now.Microphones.Count == 1 ? "one microphone" : $"{now.Microphones.Count} microphones");
        else if (was?.Microphones.Equals(now.Microphones) == false)
            changes.Add(string.Join(", ", was.Microphones.Zip(now.Microphones).SelectMany(m => Changes(m.First, m.Second)).Distinct()));
        if (was?.Sample != now.Sample || was?.Layers.Equals(now.Layers) == false)
            changes.Add("other sounds");
        return changes.Count == 0 ? "as it was" : string.Join(", ", changes);
    }

    private static IEnumerable<string> Changes(Microphone was, Microphone now)
    {
        if (was.Name != now.Name)
            yield return $"a microphone called {now.Name}";
        if (was.Output != now.Output)
            yield return $"output {now.Output}";
        if (was.Format != now.Format)
            yield return Width(now.Format);
        if (was.Pan != now.Pan)
            yield return "another pan";
        if (was.NeighboursDb != now.NeighboursDb)
            yield return now.NeighboursDb is { } heard ? $"hears its neighbours at {new Decibels(heard)}" : "hears no neighbours";
        if (was.AlsoOnFirst != now.AlsoOnFirst)
            yield return now.AlsoOnFirst ? "by the first output as well" : "off the first output";
        if ((was.Importance, was.Stay, was.Together) != (now.Importance, now.Stay, now.Together))
            yield return "another place";
    }
}
