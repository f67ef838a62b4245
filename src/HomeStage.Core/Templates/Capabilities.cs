namespace HomeStage.Core.Templates;

/// <summary>What a channel may do, which follows from its kind. Rules hold edits against it, and screens offer what it allows.</summary>
/// <param name="Sums">Channels may stand under it: it is a destination.</param>
/// <param name="TakesSends">Sends may end at it.</param>
/// <param name="FeedsASum">It goes on to a bus or the main.</param>
/// <param name="GoesToAnOutput">It goes to a hardware pair by itself.</param>
/// <param name="Sends">It may send to returns and buses.</param>
/// <param name="Sounds">Sound runs through it: it has a strip and can be listened to.</param>
/// <param name="FeedsKeys">It may steer the inserts of others.</param>
/// <param name="TakesInputs">It may take hardware inputs.</param>
/// <param name="Records">It may take what another channel puts out.</param>
/// <param name="Plays">It may play an instrument.</param>
/// <param name="IsPlayed">A notes channel may play it.</param>
/// <param name="GivesNotes">Its notes may restart a note-driven ducker.</param>
/// <param name="LaysSounds">Sounds may be laid on it.</param>
/// <param name="MayBeSpare">It may wait, empty, for the next part.</param>
/// <param name="StandsOnce">There is one in a template: it is neither made, copied nor removed.</param>
/// <param name="BeginsMono">It is mono until somebody widens it.</param>
public sealed record Capabilities(
    bool Sums, bool TakesSends, bool FeedsASum, bool GoesToAnOutput, bool Sends, bool Sounds, bool FeedsKeys, bool TakesInputs, bool Records,
    bool Plays, bool IsPlayed, bool GivesNotes, bool LaysSounds, bool MayBeSpare, bool StandsOnce, bool BeginsMono)
{
    private static readonly Dictionary<ChannelKind, Capabilities> Known = Enum.GetValues<ChannelKind>().ToDictionary(k => k, From);

    public static Capabilities Of(ChannelKind kind) => Known[kind];

    private static Capabilities From(ChannelKind kind) => new(
        Sums: kind is ChannelKind.Bus or ChannelKind.Main,
        TakesSends: kind is ChannelKind.Bus or ChannelKind.Return,
        FeedsASum: kind is not (ChannelKind.Main or ChannelKind.Direct or ChannelKind.Trigger or ChannelKind.Notes),
        GoesToAnOutput: kind is ChannelKind.Main or ChannelKind.Direct,
        Sends: kind is not (ChannelKind.Trigger or ChannelKind.Notes or ChannelKind.Main),
        Sounds: kind is not ChannelKind.Notes,
        FeedsKeys: kind is not (ChannelKind.Notes or ChannelKind.Main),
        TakesInputs: kind is ChannelKind.Audio or ChannelKind.Direct,
        Records: kind is ChannelKind.Audio,
        Plays: kind is ChannelKind.Instrument or ChannelKind.Trigger or ChannelKind.Direct,
        IsPlayed: kind is ChannelKind.Instrument or ChannelKind.Trigger,
        GivesNotes: kind is ChannelKind.Instrument or ChannelKind.Trigger or ChannelKind.Notes,
        LaysSounds: kind is ChannelKind.Audio or ChannelKind.Direct,
        MayBeSpare: kind is ChannelKind.Audio or ChannelKind.Instrument,
        StandsOnce: kind is ChannelKind.Main,
        BeginsMono: kind is ChannelKind.Audio or ChannelKind.Trigger);
}
