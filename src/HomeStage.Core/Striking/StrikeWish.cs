namespace HomeStage.Core.Striking;

/// <summary>What may stay of a song when it is struck, beside its channels, routing and strips.</summary>
/// <param name="Name">Of the template: 1 to 80 characters.</param>
public sealed record StrikeWish(string Name)
{
    /// <summary>Patterns and looped sounds, as starters.</summary>
    public bool Starters { get; init; }

    /// <summary>Faders, pans and mutes; otherwise they go to rest: as the template had them that the song began from, or 0 dB, the centre, open.</summary>
    public bool Levels { get; init; }

    /// <summary>Tempo, meter and sections; otherwise those of the template that the song began from, or 120 in 4/4 and one section.</summary>
    public bool Tempo { get; init; }

    /// <summary>The musical key; otherwise it is as that template has it, or waits for the song.</summary>
    public bool Key { get; init; }

    public bool CountIn { get; init; }

    /// <summary>Keys of lines that go where they would stay, and stay where they would go.</summary>
    public Sequence<string> Otherwise { get; init; } = [];
}
