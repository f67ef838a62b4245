using HomeStage.Core.Notes;

namespace HomeStage.Core.Templates;

/// <summary>What a strip holds apart from any channel. What is null is not said, and stays as it is where the strip is laid.</summary>
public sealed record Strip
{
    public const int MostSends = 64;

    /// <summary>In order; their ids are the strip's own. Nothing restarts them by notes, and no key input is on.</summary>
    public Sequence<Insert>? Inserts { get; init; }

    /// <summary>Which of them are one thing; said together with them.</summary>
    public Sequence<Chain> Chains { get; init; } = [];

    /// <summary>Sends that shall be there; one that is there already stays as it is.</summary>
    public Sequence<StripSend>? Sends { get; init; }

    /// <summary>How an instrument is played; layers, pads and shown controllers stay those of the channel.</summary>
    public NoteInput? NoteInput { get; init; }

    /// <summary>How a hardware input is heard and recorded.</summary>
    public StripInput? Input { get; init; }

    /// <summary>Where it stands, by act; acts that a template does not have are passed over.</summary>
    public Map<StageState>? Stages { get; init; }

    public bool SaysNothing => this == new Strip();

    /// <summary>What this one leaves unsaid is said by another.</summary>
    public Strip Over(Strip other) => new()
    {
        Inserts = Inserts ?? other.Inserts,
        Chains = Inserts is null ? other.Chains : Chains,
        Sends = Sends ?? other.Sends,
        NoteInput = NoteInput ?? other.NoteInput,
        Input = Input ?? other.Input,
        Stages = Stages ?? other.Stages,
    };
}

/// <summary>A send of a strip.</summary>
/// <param name="To">Name of the return or bus; empty for every return that there is.</param>
/// <param name="Level">In [−∞, +6] dB.</param>
/// <param name="Open">A closed send is in place and silent.</param>
public sealed record StripSend(string To, Decibels Level, TapPoint Tap = TapPoint.Post, bool Open = false);

/// <summary>How a strip has a hardware input.</summary>
/// <param name="Monitored">Whether it is heard.</param>
/// <param name="Armed">Whether it takes the next recording.</param>
public sealed record StripInput(bool Monitored, bool Armed);
