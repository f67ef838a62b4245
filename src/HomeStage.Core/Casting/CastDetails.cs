using HomeStage.Core.Templates;

namespace HomeStage.Core.Casting;

/// <summary>What is said of a channel beside its name. Null and empty say nothing.</summary>
public sealed record CastDetails
{
    public static readonly CastDetails None = new();

    public ChannelKind? Kind { get; init; }

    /// <summary>Id of a role.</summary>
    public string? Role { get; init; }

    public ChannelFormat? Format { get; init; }

    /// <summary>Hardware input, in [1, 128]; with <see cref="SecondInput"/> two of them, or the first and last of several that are counted up.</summary>
    public int? Input { get; init; }

    public int? SecondInput { get; init; }

    /// <summary>The last input that is said, or that what is said to be stereo takes; 0 for none.</summary>
    internal int LastInput => SecondInput ?? (Input is { } first ? first + (Format == ChannelFormat.Stereo ? 1 : 0) : 0);

    /// <summary>Whether several channels take the inputs from <see cref="Input"/> on in turn, rather than all the same.</summary>
    public bool InTurn { get; init; }

    public bool Spare { get; init; }

    /// <summary>How many microphones stand at it, each with a channel of its own.</summary>
    public int? Microphones { get; init; }

    /// <summary>Id in the instrument catalogue.</summary>
    public string? Instrument { get; init; }

    /// <summary>Name of the instrument of which it is a split.</summary>
    public string? SplitOf { get; init; }

    /// <summary>The fader; of what goes <see cref="Into"/> another, and of what makes room, the level or depth that is meant there.</summary>
    public double? Db { get; init; }

    /// <summary>In [−1, 1].</summary>
    public double? Pan { get; init; }

    /// <summary>Of an echo, in quarter notes; both sides where one is said.</summary>
    public double? LeftQuarters { get; init; }

    public double? RightQuarters { get; init; }

    /// <summary>Of a reverb; nothing else is said to last for seconds.</summary>
    public double? DecaySeconds { get; init; }

    public double? LowCutHz { get; init; }

    public double? HighCutHz { get; init; }

    /// <summary>What it sends to.</summary>
    public Sequence<CastSend> Into { get; init; } = [];

    /// <summary>Whom it makes room for.</summary>
    public string? RoomFor { get; init; }

    public double? RoomDb { get; init; }

    public double? BackQuarters { get; init; }

    /// <summary>Of a trigger: how often it strikes, in quarter notes; 0 for every beat of the meter.</summary>
    public double? EveryQuarters { get; init; }

    /// <summary>Of a trigger: whether it strikes half-way between.</summary>
    public bool OffBeat { get; init; }

    /// <summary>Whether what is named are the pieces of one machine, each on a jack of this width.</summary>
    public ChannelFormat? Jacks { get; init; }

    /// <summary>How many outputs of that width it has, in [1, 64]; null for one a piece and one for the rest.</summary>
    public int? JackCount { get; init; }

    /// <summary>The width of a machine's outputs, single where only their number is said; null where nothing tells that it is a machine.</summary>
    internal ChannelFormat? MachineJacks => Jacks ?? (JackCount is null ? null : ChannelFormat.Mono);

    /// <summary>Over how many outputs a machine is split; null for as finely as it can be.</summary>
    public int? SplitOver { get; init; }

    /// <summary>What is said here, and where nothing is what is said there.</summary>
    internal CastDetails Over(CastDetails line) => this with
    {
        Kind = Kind ?? line.Kind,
        Role = Role ?? line.Role,
        Format = Format ?? line.Format,
        Input = Input ?? line.Input,
        SecondInput = Input is null ? line.SecondInput : SecondInput,
        InTurn = Input is null ? line.InTurn : InTurn,
        Spare = Spare || line.Spare,
        Microphones = Microphones ?? line.Microphones,
        Instrument = Instrument ?? line.Instrument,
        SplitOf = SplitOf ?? line.SplitOf,
        Db = Db ?? line.Db,
        Pan = Pan ?? line.Pan,
        LeftQuarters = LeftQuarters ?? line.LeftQuarters,
        RightQuarters = RightQuarters ?? line.RightQuarters,
        DecaySeconds = DecaySeconds ?? line.DecaySeconds,
        LowCutHz = LowCutHz ?? line.LowCutHz,
        HighCutHz = HighCutHz ?? line.HighCutHz,
        Into = Into.Concat(line.Into).ToSequence(),
        RoomFor = RoomFor ?? line.RoomFor,
        RoomDb = RoomDb ?? line.RoomDb,
        BackQuarters = BackQuarters ?? line.BackQuarters,
        EveryQuarters = EveryQuarters ?? line.EveryQuarters,
        OffBeat = OffBeat || line.OffBeat,
        Jacks = Jacks ?? line.Jacks,
        JackCount = JackCount ?? line.JackCount,
        SplitOver = SplitOver ?? line.SplitOver,
    };
}

/// <summary>What goes on to an effect.</summary>
/// <param name="Name">Of a return or a bus.</param>
/// <param name="Db">Null for what is usual.</param>
public sealed record CastSend(string Name, double? Db);
