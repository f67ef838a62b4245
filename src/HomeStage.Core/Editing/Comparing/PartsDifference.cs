using HomeStage.Core.Templates;

namespace HomeStage.Core.Editing.Comparing;

/// <summary>What differs beside the channels.</summary>
internal static class PartsDifference
{
    /// <summary>What channels may lean on: it comes before them.</summary>
    public static IEnumerable<Edit> Before(Template from, Template to)
    {
        if ((from.Name, from.Category, from.Note) != (to.Name, to.Category, to.Note) || !from.Tags.Equals(to.Tags))
            yield return new Describe(to.Name, to.Category, to.Tags, to.Note);
        if (from.Key != to.Key)
            yield return new SetMusicalKey(to.Key);
        if ((from.SampleRateHz, from.PanLaw) != (to.SampleRateHz, to.PanLaw))
            yield return new SetSampling(to.SampleRateHz, to.PanLaw);
        if (from.Timeline != to.Timeline)
            yield return new SetTimeline(Timing.TimelineWish.Of(to.Timeline));
        if (!from.Acts.Equals(to.Acts))
            yield return new SetActs(to.Acts);
        foreach (var groove in to.Grooves.Where(g => !from.Grooves.Contains(g)))
            yield return new PutGroove(groove);
    }

    /// <summary>What leans on channels, or is leaned on no more.</summary>
    public static IEnumerable<Edit> After(Template from, Template to)
    {
        foreach (var groove in from.Grooves.Where(g => to.Grooves.All(o => o.Name != g.Name)))
            yield return new RemoveGroove(groove.Name);
        foreach (var patch in from.Patches.Where(p => to.Patches.All(o => (o.Of, o.Name) != (p.Of, p.Name))))
            yield return new RemovePatch(patch.Of, patch.Name);
        foreach (var patch in to.Patches.Where(p => !from.Patches.Contains(p)))
            yield return new PutPatch(patch);
        foreach (var aside in from.Aside.Where(a => to.Aside.All(o => o.Split.Id != a.Split.Id)))
            yield return new RemoveAside(aside.Split.Id);
        foreach (var aside in to.Aside.Where(a => !from.Aside.Contains(a)))
            yield return new PutAside(aside);
        foreach (var copy in from.Copies.Where(c => to.Copies.All(o => (o.Kind, o.Place) != (c.Kind, c.Place))))
            yield return new RemoveShelfCopy(copy.Kind, copy.Place);
        foreach (var copy in to.Copies.Where(c => !from.Copies.Contains(c)))
            yield return new PutShelfCopy(copy);
        foreach (var gone in from.Defaults.Where(d => to.Defaults.All(o => o.For != d.For)))
            yield return new RemoveDefaultStrip(gone.For);
        foreach (var strip in to.Defaults.Where(d => !from.Defaults.Contains(d)))
            yield return new PutDefaultStrip(strip);
        foreach (var of in from.FirstPatches.Keys.Union(to.FirstPatches.Keys))
            if (to.FirstPatches.GetValueOrDefault(of) is var first && from.FirstPatches.GetValueOrDefault(of) != first)
                yield return new SetFirstPatch(of, first);
        foreach (var lever in from.Levers.Where(l => to.Levers.All(o => o.Id != l.Id)))
            yield return new RemoveLever(lever.Id);
        foreach (var lever in to.Levers.Where(l => !from.Levers.Contains(l)))
            yield return new PutLever(lever);
        foreach (var key in from.Accepted.Keys.Where(k => !to.Accepted.ContainsKey(k)))
            yield return new AcceptFinding(key, null);
        foreach (var (key, note) in to.Accepted)
            if (!from.Accepted.TryGetValue(key, out var was) || was != note)
                yield return new AcceptFinding(key, note);
        if (from.Opening != to.Opening)
            yield return new SetOpening(to.Opening);
        if (from.Parent != to.Parent)
            yield return new SetParent(to.Parent);
    }
}
