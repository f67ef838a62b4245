namespace HomeStage.Core.Kits;

/// <summary>How the jacks of an instrument are used.</summary>
public enum JackUse
{
    /// <summary>Every output is a pair.</summary>
    Pairs,

    /// <summary>A run of mono pieces takes half a pair, hard left or hard right of it.</summary>
    Halves,

    /// <summary>Every output is a single jack.</summary>
    Singles,
}
