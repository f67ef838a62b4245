using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Studios;

namespace HomeStage.Server.Demo;

/// <summary>The two studios of the demo company: a room with everything, and a kitchen table.</summary>
internal static class HarbourRoom
{
    public const string Name = "Harbour Room";
    public const string TableName = "Kitchen Table";
    private const int Rate = 48000;

    private static readonly string[] Inputs = ["Wall 1", "Wall 2", "Wall 3", "Wall 4", "Booth 1", "Booth 2", "Hall left", "Hall right"];

    private static readonly OutsideDevice EbbFilter = new("Ebb Filter") { Maker = "Estuary Tools", Format = "VST3", DeviceId = "5a1e5a1e00000000000000000000ebb0", Latency = new(0, Rate), Weight = new(0.3, 20, 0.2) };
    private static readonly OutsideDevice BrassLung = new("Brass Lung") { Maker = "Tallow and Sons", Format = "hardware", Outputs = [new("Bell", ChannelFormat.Mono)], Latency = new(0, Rate) };

    public static readonly Studio Room = new(new AudioInterface("Harbour desk", [.. Inputs], ["Near left", "Near right", "Far left", "Far right", "Phones left", "Phones right", "Booth left", "Booth right", "Tape left", "Tape right"], 128) { RatesHz = [44100, 48000, 88200, 96000] })
    {
        MidiDevices = ["Quay keys", "Pad board"],
        Devices =
        [
            new(ReedOrgan.LanternKeys) { StandIn = InstrumentCatalogue.Bellbuoy }, new(ReedOrgan.SlowTide) { StandIn = ProcessorCatalogue.Reverb }, new(ReedOrgan.KeelTuner) { StandIn = ProcessorCatalogue.PitchCorrection }, new(ReedOrgan.OldWinch) { StandIn = ProcessorCatalogue.Compressor, Latency = new(58, Rate) }, new(ReedOrgan.GullChoir) { StandIn = InstrumentCatalogue.Gullwing },
            new(EbbFilter, IsHere: false) { StandIn = ProcessorCatalogue.Equaliser }, new(BrassLung, IsHere: false) { StandIn = InstrumentCatalogue.Reedbox },
        ],
    };

    public static readonly Studio Table = new(new AudioInterface("Two-way box", ["Front 1", "Front 2"], ["Near left", "Near right"], 256) { RatesHz = [44100, 48000], MonitorsDirectly = true })
    {
        MidiDevices = ["Fold-up keys", "Pad board"],
        Devices = [new(ReedOrgan.LanternKeys) { StandIn = InstrumentCatalogue.Bellbuoy, Weight = new(2.6) }, new(ReedOrgan.SlowTide) { StandIn = ProcessorCatalogue.Reverb }, new(ReedOrgan.KeelTuner) { StandIn = ProcessorCatalogue.PitchCorrection }, new(ReedOrgan.OldWinch, IsHere: false) { StandIn = ProcessorCatalogue.Compressor }, new(ReedOrgan.GullChoir, IsHere: false) { StandIn = InstrumentCatalogue.Gullwing }],
    };

    public static string InputName(int number) => Inputs[number - 1];
}
