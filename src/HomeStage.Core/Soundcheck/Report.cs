using HomeStage.Core.Soundcheck.Findings;
using HomeStage.Core.Soundcheck.Rules;
using HomeStage.Core.Striking;
using HomeStage.Core.Templates;

namespace HomeStage.Core.Soundcheck;

/// <summary>What the soundcheck has to say of a template in one act.</summary>
/// <param name="Open">Findings that count, blockers first.</param>
/// <param name="Accepted">Findings that are accepted as intended; they do not count.</param>
public sealed record Report(Sequence<Finding> Open, Sequence<Finding> Accepted)
{
    /// <summary>Every rule, in the order in which findings of one weight are listed.</summary>
    public static IReadOnlyList<ISoundcheckRule> Rules { get; } =
    [
        new ReachesNoOutput(), new SameSourceTwice(), new MonoDestination(), new SoundFolded(), new AroundTheMain(),
        new PieceUnheard(), new OutputBeyond(), new OtherOutputs(), new SplitNotMonitored(), new HeardTwice(), new PinnedApart(), new EmptySplit(), new CalledOtherwise(), new OutputNames(), new OutputNumbering(),
        new FaderHeld(), new HeldTwice(), new MovesWhatIsOff(), new NeedsKey(), new StripOnNotes(), new StripOnTake(), new TwoLimiters(), new WideBass(),
        new KeyWithoutFeed(), new FeedIntoClosedKey(), new FeedFromSilence(), new FeedFromClosedFader(), new TriggerHeard(), new TriggerWithoutNotes(), new DuckerNotRecovered(), new LowEndDrivesBus(), new DuckerOnEveryMember(), new WideFeed(),
        new ReturnNotWet(), new DryTwice(), new LowEndIntoReverb(), new TailOverBar(), new DelayOffNote(),
        new DefaultName(), new DoubledName(), new TooMuchOnStage(), new InstrumentNobodyHears(), new NoLimiterWhileWriting(),
        new NoRole(), new MovesNothing(), new PlaysNowhere(), new WeightOverBudget(), new NoPromptNote(),
        new InputBeyond(), new LateInput(), new BuffersTooLong(), new InputShared(), new ArmedUnheard(), new InputWidth(),
        .. Enum.GetValues<Leftover>().Select(what => new LeftBehind(what)),
        new SoundMissing(), new DeviceMissing(), new OutputBeyondInterface(), new InterfaceDiffers(), new RateUnsupported(), new MidiDeviceMissing(), new LatencyUnknown(),
    ];

    /// <exception cref="InvalidOperationException">There is no such rule.</exception>
    public static string GroupOf(string rule) => Rules.First(r => r.Id == rule).Group;

    public bool IsProven => Open.Count == 0;

    /// <param name="around">What lies around the template; null where everything is there.</param>
    public static Report Of(Template template, string act, Surroundings? around = null)
    {
        var all = Rules.SelectMany(r => r.Look(template, act, around ?? Surroundings.Whole)).OrderBy(f => f.Severity).ToLookup(f => template.Accepted.ContainsKey(f.Key));
        return new(all[false].ToSequence(), all[true].ToSequence());
    }
}
