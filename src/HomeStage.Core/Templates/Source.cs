using HomeStage.Core.Devices;
using HomeStage.Core.Kits;

namespace HomeStage.Core.Templates;

/// <summary>Where a channel's sound comes from.</summary>
public abstract record Source;

/// <summary>A virtual instrument of the catalogue, with the settings that differ from its defaults.</summary>
/// <param name="Instrument">Id in the instrument catalogue: what it is, or what stands in for its device.</param>
/// <param name="Kit">Pieces and outputs, for instruments that play a kit.</param>
public sealed record InstrumentSource(string Instrument, Kit? Kit = null) : Source
{
    public Map<double> Settings { get; init; } = Map<double>.Empty;

    /// <summary>Name of the patch that it starts from; null for the defaults.</summary>
    public string? Patch { get; init; }

    /// <summary>The device that it is, of which the instrument is only the stand-in; null where the instrument is meant itself.</summary>
    public OutsideDevice? Device { get; init; }

    /// <summary>What it puts out, by number from 1: those of its kit, else those of its device; empty for one pair.</summary>
    public Sequence<KitOutput> Outputs => Kit?.Outputs ?? Device?.Outputs ?? [];
}

/// <summary>One output of the multi-output instrument on another channel.</summary>
/// <param name="Output">Number in that instrument's kit, from 1.</param>
/// <param name="Monitored">Whether it is heard.</param>
public sealed record OutputSource(ChannelId Instrument, int Output, bool Monitored = true) : Source;

/// <summary>One or two hardware inputs, numbered from 1. Heard only while monitored.</summary>
/// <param name="Armed">Whether it takes the next recording.</param>
public sealed record InputSource(int First, int? Second = null, bool Monitored = false, bool Armed = false) : Source
{
    /// <summary>The highest hardware input that a template may name.</summary>
    public const int Last = 128;

    /// <summary>What the first input is called where it was patched; null where nobody said.</summary>
    public string? FirstName { get; init; }

    /// <summary>What the second input is called; null for none, and where nobody said.</summary>
    public string? SecondName { get; init; }
}

/// <summary>What another channel puts out, to record it: an instrument's print, what a bus plays. Always heard.</summary>
public sealed record InternalSource(ChannelId From, TapPoint Tap = TapPoint.Post, bool Armed = false) : Source;
