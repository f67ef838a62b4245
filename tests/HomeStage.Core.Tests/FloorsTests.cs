using HomeStage.Core.Templates;

namespace HomeStage.Core.Tests;

/// <summary>The core is a house of floors: a folder knows those below it, none above and none beside it.</summary>
public class FloorsTests
{
    private const string Own = "HomeStage.Core.";

    /// <summary>From the ground up, as docs/architecture.md draws them.</summary>
    private static readonly string[][] Floors =
    [
        ["Values"],
        ["Timing", "Media", "Automation"],
        ["Notes", "Kits", "Strips", "Controls"],
        ["Devices", "Writing"],
        ["Templates"],
        ["Catalogue"],
        ["Studios"],
        ["Roles", "Routing", "Playing"],
        ["Compiling"],
        ["Colours", "Levels"],
        ["Making"],
        ["Editing.Rules"],
        ["Editing"],
        ["Editing.Comparing", "Editing.Words"],
        ["Outputs", "Fitting", "Patching", "Inheriting", "Pieces", "Recording", "Reviews", "Defaults", "Sound.Signals"],
        ["Sound.Kernels"],
        ["Sound.Meters", "Sound.Processors"],
        ["Sound.Instruments", "Sound.Listening"],
        ["Sound.Tapes"],
        ["Sound.Rendering"],
        ["Sound"],
        ["Ideas", "Machines", "Printing", "Shelf", "Starting", "Striking", "Refitting", "Soundcheck.Findings"],
        ["Soundcheck.Rules"],
        ["Soundcheck", "LineChecks", "Cabled", "Ducking", "Sends"],
        ["Casting", "Outside"],
    ];

    private static readonly Type[] Types = [.. typeof(Template).Assembly.GetTypes().Where(t => FolderOf(t) is not null)];

    [Fact]
    public void EveryFolder_StandsOnOneFloor()
    {
        Assert.Equal(Floors.SelectMany(f => f).Order(), Types.Select(t => FolderOf(t)!).Distinct().Order());
    }

    [Fact]
    public void NoType_KnowsOneOfAHigherFloor_OrOfAnotherFolderOfItsOwn()
    {
        var floorOf = Floors.SelectMany((folders, floor) => folders.Select(folder => (folder, floor))).ToDictionary(x => x.folder, x => x.floor);
        var arrows = from type in Types
                     from known in TypeReferences.Of(type)
                     let own = FolderOf(type)
                     let other = FolderOf(known)
                     where other is not null && own != other && floorOf[other] >= floorOf[own]
                     select $"{own}.{OutermostOf(type).Name} knows {other}.{OutermostOf(known).Name}";

        Assert.Equal([], arrows.Distinct().Order());
    }

    [Fact]
    public void TypeReferences_SeeWhatATypeHoldsCallsAndCatches()
    {
        var known = TypeReferences.Of(typeof(Witness));

        // A field, a parameter, a call inside a method, and a type that is only asked for.
        Assert.All([typeof(HeldByIt), typeof(TakenByIt), typeof(CalledByIt), typeof(AskedForByIt)], type => Assert.Contains(type, known));
    }

    /// <summary>The namespace below the core's own; what compilers add has none.</summary>
    private static string? FolderOf(Type type) =>
        OutermostOf(type).Namespace is { } name && name.StartsWith(Own, StringComparison.Ordinal) ? name[Own.Length..] : null;

    private static Type OutermostOf(Type type)
    {
        while (type.DeclaringType is { } outer)
            type = outer;
        return type;
    }

    private sealed class HeldByIt;

    private sealed class TakenByIt;

    private static class CalledByIt
    {
        public static int Count => 1;
    }

    private sealed class AskedForByIt;

    private sealed class Witness
    {
        private readonly HeldByIt? _held = null;

        public int Of(TakenByIt? taken) => taken is null && _held is null ? CalledByIt.Count : typeof(AskedForByIt).Name.Length;
    }
}
