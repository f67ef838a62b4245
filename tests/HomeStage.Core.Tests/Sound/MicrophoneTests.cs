using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Kits;
using HomeStage.Core.Levels;
using HomeStage.Core.Sound;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Sound;

/// <summary>What several microphones hear, rendered.</summary>
public class MicrophoneTests
{
    private const double WithinDb = 0.01;
    private static readonly ChannelId Player = new("set");

    [Fact]
    public void TwoMicrophonesAtOneDrum_AreTogetherAsLoudAsOne_AndHalfEach()
    {
        var one = Peaks(Kit([new("", 2)]));
        var two = Peaks(Kit([new("top", 2), new("bottom", 3)]));

        // Half of an amplitude is 20·log₁₀ ½ = −6.02 dB.
        Assert.Equal(one["two"] - 6.0206, two["two"], WithinDb);
        Assert.Equal(one["two"] - 6.0206, two["three"], WithinDb);
        Assert.Equal(one["main"], two["main"], WithinDb);
        Assert.DoesNotContain("three", one.Keys);
    }

    [Fact]
    public void AMicrophone_HearsTheDrumBeside_LaterAndAsLoudAsItIsSaid()
    {
        Assert.DoesNotContain("three", Peaks(Beside(null)).Keys);
        var loud = Peaks(Beside(-12));
        var soft = Peaks(Beside(-30));

        // 18 dB apart, whatever the air takes.
        Assert.Equal(18, loud["three"] - soft["three"], WithinDb);
        Assert.InRange(loud["three"], loud["two"] - 20, loud["two"] - 12);
        Assert.Equal(0.7 / 343, Hearing.Of(KitOf(Beside(-12)), KitOf(Beside(-12)).Pieces[0]).Single(h => h.Output == 3).Metres / 343, 1e-12);
    }

    [Fact]
    public void LevelsArePredictedByTheSameLaw()
    {
        var template = Beside(-12).With(new PutFarMicrophone(Player, FarMicrophone.Stereo("Attic", "drums/rooms", 4, FarPlace.Overhead)));
        double Predicted(string channel) => LevelBudget.Of(template, InMix).Levels.Single(l => l.Channel.Value == channel).ExpectedLufs!.Value;

        Assert.Equal(Predicted("two") - 12, Predicted("three"), WithinDb);
        // Overheads hear at 0.4, on both sides: twice the power of one.
        Assert.Equal(Predicted("two") + 20 * Math.Log10(0.4) + 3.0103, Predicted("four"), WithinDb);
    }

    private static Kit Kit(Sequence<Microphone> microphones) => new(
        [new("Slate", 40, "drums/snare", DrumSound.Snare, microphones), Piece.Pad("Bell", 41, "drums/kick", 3, DrumSound.Kick)],
        [new("One", ChannelFormat.Mono), new("Two", ChannelFormat.Mono), new("Three", ChannelFormat.Mono), new("Four", ChannelFormat.Stereo)]);

    private static Template Beside(double? neighboursDb) => Staged(Kit([new("", 2)]).At("Bell", m => m with { NeighboursDb = neighboursDb }));

    private static Template Staged(Kit kit) => OneBar(
        new AddChannel(new() { Id = Player, Name = "Set", Kind = ChannelKind.Instrument, Format = ChannelFormat.Mono, Destination = EmptyStage.MixBus, Source = new InstrumentSource(InstrumentCatalogue.OwnMachine, kit), Patterns = [new("Once", 1920, [new(0, 90, 40, 60)], [])] }),
        Split("two", 2, ChannelFormat.Mono), Split("three", 3, ChannelFormat.Mono), Split("four", 4, ChannelFormat.Stereo));

    private static Kit KitOf(Template template) => ((InstrumentSource)template.Channels[Player].Source!).Kit!;

    private static AddChannel Split(string id, int output, ChannelFormat format) =>
        new(new() { Id = new(id), Name = id, Kind = ChannelKind.Split, Format = format, Destination = EmptyStage.MixBus, Source = new OutputSource(Player, output) });

    private static Dictionary<string, double> Peaks(Kit kit) => Peaks(Staged(kit));

    private static Dictionary<string, double> Peaks(Template template) =>
        Renderer.Render(template, new(InMix)).Channels.Where(c => c.Reading?.PeakDbfs > -150).ToDictionary(c => c.Channel.Value, c => c.Reading!.PeakDbfs);
}
