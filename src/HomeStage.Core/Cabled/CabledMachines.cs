namespace HomeStage.Core.Cabled;

/// <summary>The simulated devices that come along. Their cables are not all in order, as it happens: that is what listening is for.</summary>
public static class CabledMachines
{
    public static IReadOnlyList<CabledMachine> All { get; } =
    [
        new("bollard", new("Bollard", "Kick, Snare, Rim, Clap, Tom 1–3, Hat closed, Hat open, Crash, Ride, Shaker", 12, InPairs: false) { FirstReserved = false },
            [0, 1, 3, 2, 4, 5, 6, 8, 7, 9, 11, 10]),
        new("gangway", new("Gangway", "Kick in/out, Snare top/bottom, Tom 1–2, Hat, Ride stereo, Overheads", 12, InPairs: true) { FirstReserved = false, MonoSharesPairs = true },
            [1, 0, 2, 3, 5, 4, 6, 7, 8, 9, 11, 10]),
        new("tiller", new("Tiller", "Thump, Click, Sweep stereo, Chord stereo", 8, InPairs: true) { FirstReserved = false, NotesFrom = 48 },
            [0, 1, 2, 3, 6, 7, 4, 5]),
    ];

    public static CabledMachine? Find(string id) => All.FirstOrDefault(d => d.Id == id);
}
