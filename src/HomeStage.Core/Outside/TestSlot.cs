using HomeStage.Core.LineChecks;
using HomeStage.Core.Timing;

namespace HomeStage.Core.Outside;

/// <summary>One stretch of the test, with what is fired in it.</summary>
/// <param name="Section">Id of the section that it is on the timeline of the test.</param>
/// <param name="Name">What its section and its marker are called.</param>
/// <param name="StartSeconds">From the start of the test.</param>
public abstract record TestSlot(string Section, string Name, double StartSeconds, double LengthSeconds)
{
    public double EndSeconds => StartSeconds + LengthSeconds;
}

/// <summary>One source alone, struck twice; how far apart differs from one to the next, so that a recording shows which it is.</summary>
public sealed record FiredSlot(string Section, string Name, double StartSeconds, double LengthSeconds, LineSource Source)
    : TestSlot(Section, Name, StartSeconds, LengthSeconds);

/// <summary>A voice that is held on a channel that gives way.</summary>
/// <param name="HitSeconds">When it is hit, on the timeline of the test; null where the voice is alone.</param>
public sealed record DuckedSlot(string Section, string Name, double StartSeconds, double LengthSeconds, DuckerTrial Trial, double? HitSeconds)
    : TestSlot(Section, Name, StartSeconds, LengthSeconds);

/// <summary>What is not in the test, and why: a sentence without its subject and full stop.</summary>
public sealed record Unfired(string Name, string Why);

/// <summary>Notes that are struck together in a slot, before they have a place on the timeline.</summary>
internal sealed record Strike(Values.ChannelId Channel, Note Note);
