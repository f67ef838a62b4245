using HomeStage.Core.Catalogue;
using HomeStage.Core.Devices;
using HomeStage.Core.Editing;
using HomeStage.Core.Studios;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Soundcheck;

/// <summary>What does not fit a studio, each made of a template in order.</summary>
internal static class StudioFaults
{
    private static readonly OutsideDevice Winch = new("Winch") { Latency = new(0, 48000) };
    private static readonly OutsideDevice Tuner = new("Tuner") { Latency = new(1536, 48000) };
    private static readonly OutsideDevice Mute = new("Mute box");

    /// <summary>Its key input takes one signal.</summary>
    public static readonly OutsideDevice Press = new("Press") { Key = KeyWidth.Mono, Latency = new(0, 48000), Weight = new(0.1, 10, 1) };

    /// <summary>4 inputs, 4 outputs, 2 × 128 frames: 5.3 ms at 48 kHz.</summary>
    public static readonly Studio Quay = new(new AudioInterface("Quay", ["Wall 1", "Wall 2", "", ""], ["Near left", "Near right", "Far left", "Far right"], 128) { RatesHz = [44100, 48000] })
    {
        MidiDevices = ["Pad board"],
        Devices = [new(Tuner), new(Mute), new(Press), new(Winch, IsHere: false)],
    };

    public static (string Rule, Template[] Faults)[] In(Template inOrder) =>
    [
        ("input-beyond", [inOrder.With(Voice("a", new(5))), inOrder.With(Voice("a", new(1)), Pair(new(4, 5)))]),
        ("late-input", [inOrder.With(Voice("a", new(1), Stood("tune", Tuner))), inOrder.With(Voice("a", new(1), Stood("tune", new("Slow") { Latency = new(700, 48000) }) with { Device = Tuner with { Preset = "Other" } }))]),
        ("buffers-too-long", [inOrder.With(Voice("a", new(1))) with { SampleRateHz = 44100, Note = Slow }]),
        ("input-shared", [inOrder.With(Voice("a", new(1)), Voice("b", new(1))), inOrder.With(Voice("a", new(2)), Pair(new(1, 2)))]),
        ("armed-unheard", [inOrder.With(Voice("a", new(1)), new SetSource(new("a"), new InputSource(1, Armed: true)))]),
        ("input-width", [inOrder.With(Voice("a", new(1), ChannelFormat.Stereo)), inOrder.With(new AddChannel(Pair(new(1, 2)).Channel with { Format = ChannelFormat.Mono }))]),
        ("device-missing", [inOrder.With(Voice("a", new(1), Stood("w", Winch, ProcessorCatalogue.Compressor))), inOrder.With(Voice("a", new(1), Stood("w", Winch with { Name = "Stranger" }))), inOrder.With(new SetDevice(new("lead"), null, Winch))]),
        ("output-beyond-interface", [inOrder.With(new SetOutputPair(EmptyStage.Main, 3)), inOrder.With(new AddChannel(new() { Id = new("ref"), Name = "Ref track", Kind = ChannelKind.Direct, OutputPair = 4 }))]),
        ("interface-differs", [inOrder.With(Voice("a", new(1) { FirstName = "Wall 2" })), inOrder.With(new SetOutputPair(EmptyStage.Main, 1, "Far")), inOrder.With(Voice("a", new(1) { FirstName = "Old box 1" }))]),
        ("rate-unsupported", [inOrder with { SampleRateHz = 96000 }, inOrder with { SampleRateHz = 88200 }]),
        ("midi-device-missing", [inOrder.With(new SetNoteInput(new("lead"), new() { Device = "Old keys" }))]),
        ("latency-unknown", [inOrder.With(Voice("a", new(1), Stood("m", Mute))), inOrder.With(new SetDevice(new("lead"), null, Mute))]),
    ];

    /// <summary>A note by which the test knows that this template stands in a studio with larger buffers.</summary>
    public const string Slow = "In the slow studio.";

    /// <summary>2 × 512 frames: 23.2 ms at 44.1 kHz.</summary>
    public static Studio Of(Template template) => template.Note == Slow ? Quay with { Interface = Quay.Interface with { BufferFrames = 512 } } : Quay;

    private static Insert Stood(string id, OutsideDevice device, string standIn = ProcessorCatalogue.Through) => Insert(id, standIn) with { Device = device };

    private static AddChannel Voice(string id, InputSource input, params Insert[] strip) => Voice(id, input, ChannelFormat.Mono, strip);

    private static AddChannel Voice(string id, InputSource input, ChannelFormat format, params Insert[] strip) => new(new()
    {
        Id = new(id),
        Name = $"Singer {id}",
        Kind = ChannelKind.Audio,
        Format = format,
        Destination = EmptyStage.MixBus,
        Source = input with { Monitored = true },
        Inserts = strip.ToSequence(),
    });

    private static AddChannel Pair(InputSource input) => Voice("pair", input, ChannelFormat.Stereo);
}
