using HomeStage.Core.Automation;
using HomeStage.Core.Sound.Listening;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Sound.Tapes;

/// <summary>All that decides what a channel gives in a render: equal branches give equal samples.</summary>
public sealed class Branch : IEquatable<Branch>
{
    private readonly Content _content;
    private readonly int _hash;

    internal Branch(Content content)
    {
        _content = content;
        _hash = content.GetHashCode();
    }

    public bool Equals(Branch? other) => other is not null && _hash == other._hash && _content == other._content;

    public override bool Equals(object? obj) => Equals(obj as Branch);

    public override int GetHashCode() => _hash;

    public override string ToString() => $"branch {_hash:x8}";

    /// <param name="Parts">The channel itself and all that leads to it.</param>
    /// <param name="Levers">As far as they move something in it.</param>
    /// <param name="Absent">Uploaded sound that it asks for and that is not there.</param>
    /// <param name="Taken">Where its signal is taken: places in the channel, from its sum on.</param>
    internal sealed record Content(Scene Scene, Sequence<Part> Parts, Sequence<Lever> Levers, Sequence<string> Absent, Sequence<int> Taken);
}

/// <summary>What is common to all branches of a render.</summary>
internal sealed record Scene(int SampleRateHz, PanLaw PanLaw, Timeline Timeline, MusicalKey? Key, string Act, string? Section, RenderLead Lead, bool MetersInFull, long EndFrames);
