using HomeStage.Core.Kits;

namespace HomeStage.Core.Machines;

/// <summary>A machine as somebody wants it: what it plays, and what it leaves by.</summary>
/// <param name="Name">Of its channel; 1 to 80 characters.</param>
/// <param name="List">The pieces as they are typed; see <see cref="PieceList"/>.</param>
/// <param name="Jacks">How many single jacks it has, in [1, 64].</param>
/// <param name="InPairs">Whether they come in pairs; an odd one over is single.</param>
public sealed record MachineWish(string Name, string List, int Jacks, bool InPairs)
{
    /// <summary>The outputs of a machine that is known already, in place of <see cref="Jacks"/> and <see cref="InPairs"/>; none for those.</summary>
    public Sequence<KitOutput> Outputs { get; init; } = [];

    /// <summary>How plans use those; null for as they show.</summary>
    public JackUse? Use { get; init; }

    /// <summary>Names of the outputs, in their order; those that are not named are numbered.</summary>
    public Sequence<string> OutputNames { get; init; } = [];

    /// <summary>What a file brought: its pieces and far microphones stand before those of the list, on the outputs of this machine unless <see cref="LeavesAsBrought"/>; null for none.</summary>
    public Kit? Brought { get; init; }

    /// <summary>Whether what was brought leaves by the outputs that its file says, in place of <see cref="Jacks"/> and of any plan; what is typed or
    /// heard besides stands on the first. Without effect where nothing was brought.</summary>
    public bool LeavesAsBrought { get; init; }

    /// <summary>Sounds that become pieces by their names, after those of the list.</summary>
    public Sequence<FolderSound> Sounds { get; init; } = [];

    /// <summary>Whether sounds whose names say nothing become pieces as well.</summary>
    public bool AllSounds { get; init; }

    /// <summary>Whether the first output is kept for the rest.</summary>
    public bool FirstReserved { get; init; } = true;

    /// <summary>Whether mono pieces share a pair.</summary>
    public bool MonoSharesPairs { get; init; }

    /// <summary>Notes ascend from this one, in [0, 127]; null for those of General MIDI.</summary>
    public int? NotesFrom { get; init; }

    /// <summary>Over how many outputs it is split at once; null for as finely as it can be, 0 for not at all.</summary>
    public int? SplitOver { get; init; }

    /// <summary>For a machine that stands outside: the hardware input that its first jack is cabled to, from 1; null for one that plays in here.</summary>
    public int? FirstInput { get; init; }

    /// <summary>What its channel feeds; null for the mix bus.</summary>
    public ChannelId? Under { get; init; }
}
