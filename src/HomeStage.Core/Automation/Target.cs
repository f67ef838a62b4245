namespace HomeStage.Core.Automation;

/// <summary>One value of a channel that shapes and levers can move.</summary>
/// <remarks>A target may be loose: an instrument or insert that was swapped may come back, and its shape with it. The
/// soundcheck says which ones move nothing.</remarks>
public abstract record Target;

/// <summary>What a target can be moved between; levels end at silence below.</summary>
public sealed record TargetRange(string Name, double Min, double Max, string Symbol);

/// <summary>The fader, in [−∞, +6] dB.</summary>
public sealed record LevelTarget : Target;

/// <summary>The pan, in [−1, 1].</summary>
public sealed record PanTarget : Target;

/// <summary>The level of a send, in [−∞, +6] dB.</summary>
public sealed record SendTarget(ChannelId To) : Target;

/// <summary>A control of an insert.</summary>
public sealed record InsertTarget(InsertId Insert, string Parameter) : Target;

/// <summary>A control of the channel's instrument.</summary>
public sealed record InstrumentTarget(string Parameter) : Target;

/// <summary>A MIDI controller that is shown on the channel, in [0, 127].</summary>
/// <param name="Number">In [0, 127].</param>
public sealed record ControllerTarget(int Number) : Target;
