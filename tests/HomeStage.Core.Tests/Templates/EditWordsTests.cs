using FsCheck.Xunit;
using HomeStage.Core.Catalogue;
using HomeStage.Core.Editing;
using HomeStage.Core.Editing.Comparing;
using HomeStage.Core.Editing.Words;
using HomeStage.Core.Kits;
using HomeStage.Core.Templates;
using HomeStage.TestKit;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Templates;

public class EditWordsTests
{
    private static readonly Template Said = OneBar(
        Return("echo", "mix-bus"), Bus("keys", "mix-bus", Insert("comp", ProcessorCatalogue.Compressor)), new PutSend(new("keys"), new(new("echo"), new(-12))));

    public static TheoryData<Edit, string> Sentences() => new()
    {
        { new SetLevel(new("keys"), new(-3)), "Bus keys: level 0.0 dB → −3.0 dB" },
        { new SetPan(new("keys"), -0.5), "Bus keys: pan centre → 50 % left" },
        { new PutSend(new("keys"), new(new("echo"), new(-6), TapPoint.Pre)), "Bus keys → Return echo: −12.0 dB → −6.0 dB before the fader" },
        { new SetParameter(new("keys"), new("comp"), "ratio", 4), "Bus keys, compressor: ratio 3 : 1 → 4 : 1" },
        { new SetStage(new("echo"), InMix, StageState.InTheWings), "Return echo is in the wings in Mix" },
        { new SetTimeline(new(92, new(4, 4), [new("Song", 1)])), "Tempo 120 → 92 quarter notes a minute" },
        { new RemoveChannel(new("keys")), "Bus keys is removed" },
        { new BusAround([new("keys")], new("all"), "All keys"), "All keys is put around Bus keys" },
    };

    [Theory]
    [MemberData(nameof(Sentences))]
    public void Of_AnEdit_SaysItWithNamesAndUnits(Edit edit, string sentence)
    {
        Assert.Equal(sentence, EditWords.Of(edit, Said));
    }

    [Property(MaxTest = 200)]
    public void Of_AnyEditOnAnyTemplate_IsASentence(int seed)
    {
        var chance = new RandomTemplates(seed);
        var template = chance.Grown(40);

        Assert.All(chance.Edits(template, 20), e => Assert.NotEmpty(EditWords.Of(e, template)));
    }

    [Fact]
    public void OfBatch_KnowsChannelsThatTheBatchItselfMakes()
    {
        var said = EditWords.OfBatch([Bus("voices", "mix-bus"), new SetMute(new("voices"), true)], Said);

        Assert.Equal(["Bus voices is new under Mix bus", "Bus voices is muted"], said);
    }

    [Fact]
    public void EveryKindOfEdit_IsMadeByTheRandomTemplatesOrByTheTest_SoThatNoneIsWithoutWords()
    {
        var made = Enumerable.Range(0, 400).SelectMany(seed =>
        {
            var chance = new RandomTemplates(seed);
            var template = chance.Grown(30);
            return chance.Edits(template, 20).Concat(Difference.Between(template, chance.Grown(10))).Select(e => e.GetType());
        }).ToHashSet();
        Type[] here = [typeof(SetPiecePlace), typeof(SetPieceSound), typeof(RestoreChannels), typeof(RestoreActs), typeof(SetInstrumentSetting), typeof(Describe), typeof(SetMusicalKey), typeof(RemovePattern), typeof(SetOutputPair), typeof(RemoveFeed), typeof(SetSettings), typeof(SetPrintTwin), typeof(RemoveStarter)];

        Assert.Equal([], typeof(Edit).Assembly.GetTypes().Where(t => !t.IsAbstract && t.IsSubclassOf(typeof(Edit))).Except(made).Except(here));
        Assert.All<Edit>([new RestoreChannels([], [new("keys")]), new RestoreActs(Said.Acts, []), new SetInstrumentSetting(new("keys"), "x", 1), new Describe("New", "", [], ""), new SetMusicalKey(new(0, false)),
            new RemovePattern(new("keys"), "Beat"), new SetOutputPair(new("main"), 2), new RemoveFeed(new("echo"), new("keys"), new("comp")), new SetSettings(new("keys"), null, Map<double>.Empty), new SetPrintTwin(new("keys"), null), new RemoveStarter(new("keys"), "Loop"),
            new SetOutputs(new("keys"), StandInKits.Flotsam, []), new SetPieceSound(new("keys"), "Pad 1", null), new SetPiecePlace(new("keys"), "Pad 1", PieceStay.Alone, 1), new SetPiecePlace(new("keys"), "Pad 1", PieceStay.OnFirst, 1), new SetPiecePlace(new("keys"), "Pad 1", PieceStay.ByPlan, 2)],
            e => Assert.NotEmpty(EditWords.Of(e, Said)));
    }
}
