using HomeStage.Core.Catalogue;
using HomeStage.Core.Kits;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;

namespace HomeStage.Server.Demo;

/// <summary>What the demo company keeps on its shelf: a machine of seven outputs, two of them pairs, the drum set laid over it, and the ferry's kit.</summary>
internal static class QuayShelf
{
    public static IReadOnlyList<(string Name, ShelfContent Content)> Items { get; } =
    [
        ("Quay box", new MachineContent(Outputs(), true, null)),
        ("Breakwater over the quay box", new KitContent(InstrumentCatalogue.OwnMachine, OverTheBox())),
        ("Tidewater as on the ferry", new KitContent(InstrumentCatalogue.Tidewater, StandInKits.Tidewater)),
        ("Lantern Keys", new DeviceContent(ReedOrgan.LanternKeys, InstrumentCatalogue.Bellbuoy, Map<double>.Empty)),
        ("Keel Tuner", new DeviceContent(ReedOrgan.KeelTuner, ProcessorCatalogue.PitchCorrection, Map<double>.Empty)),
        ("Lamp oil", new ChainContent(LampOil)),
        (HarbourRoom.Name, new StudioContent(HarbourRoom.Room)),
        (HarbourRoom.TableName, new StudioContent(HarbourRoom.Table)),
    ];

    /// <summary>Warmth that is turned up in one place, and level that is taken back for it.</summary>
    private static Strip LampOil => new()
    {
        Inserts = [new(new("warm"), ProcessorCatalogue.Saturator), new(new("tilt"), ProcessorCatalogue.Equaliser)],
        Chains =
        [
            new("lamp-oil", "Lamp oil", [new("warm"), new("tilt")])
            {
                Controls =
                [
                    new("wick", "Wick", 0.25, [new(new("warm"), "drive-db", 0, 24), new(new("warm"), "output-db", 0, -12)]),
                    new("smoke", "Smoke", 0, [new(new("tilt"), "high-shelf-db", 0, -9)]),
                ],
            },
        ],
    };

    private static Sequence<KitOutput> Outputs() =>
    [
        new("The rest", ChannelFormat.Mono), new("Kick", ChannelFormat.Mono), new("Snare", ChannelFormat.Mono), new("Toms", ChannelFormat.Stereo),
        new("Hats", ChannelFormat.Mono), new("Cymbals", ChannelFormat.Stereo), new("Hands and shaker", ChannelFormat.Mono),
    ];

    private static Kit OverTheBox()
    {
        var at = new Dictionary<string, (int Output, double Pan)>(StringComparer.Ordinal)
        {
            ["Kick"] = (2, 0),
            ["Snare"] = (3, 0),
            ["Rim"] = (3, 0),
            ["Tom high"] = (4, -0.3),
            ["Tom low"] = (4, 0.4),
            ["Hat closed"] = (5, 0),
            ["Hat foot"] = (5, 0),
            ["Hat open"] = (5, 0),
            ["Ride"] = (6, 0.5),
            ["Crash"] = (6, -0.5),
            ["Clap"] = (7, 0),
            ["Shaker"] = (7, 0),
        };
        return StandInKits.Breakwater.Rewired(l => l.Microphone with { Output = at[l.Name].Output, Pan = at[l.Name].Pan }) with { Outputs = Outputs() };
    }
}
