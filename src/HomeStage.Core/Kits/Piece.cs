using HomeStage.Core.Media;

namespace HomeStage.Core.Kits;

/// <summary>One sound of a kit, which a note plays, and the microphones that stand at it.</summary>
/// <param name="Note">MIDI note number, in [0, 127], unique in the kit.</param>
/// <param name="Family">Path from the general to the particular, parted by slashes: "drums/toms".</param>
/// <param name="Sound">The stand-in's voice for it.</param>
/// <param name="Microphones">At least one. What a machine plays has one without a name, which is what comes out of it.</param>
/// <param name="Sample">Uploaded sound that plays in place of the voice; null for the voice.</param>
public sealed record Piece(string Name, int Note, string Family, DrumSound Sound, Sequence<Microphone> Microphones, MediaRef? Sample = null)
{
    /// <summary>Other sounds for harder strokes, by ascending velocity; <see cref="Sample"/> plays below the first of them.</summary>
    public Sequence<SampleLayer> Layers { get; init; } = [];

    /// <summary>A piece that leaves by one output, as it comes.</summary>
    /// <param name="output">Number of the output, from 1.</param>
    /// <param name="pan">In [−1, 1].</param>
    public static Piece Pad(
        string name, int note, string family, int output, DrumSound sound, double pan = 0, ChannelFormat format = ChannelFormat.Mono, int importance = 1) =>
        new(name, note, family, sound, [new("", output, pan) { Format = format, Importance = importance }]);

    /// <summary>The piece with another sound. One that has no microphones of its own is as wide as the widest of its sounds; what a person
    /// said of its width otherwise stays.</summary>
    public Piece Playing(MediaRef? sound)
    {
        var playing = this with { Sample = sound };
        return Microphones is [var only] && (sound is not null || Layers.Count > 0)
            ? playing with { Microphones = [only with { Format = playing.WidthOfSounds }] }
            : playing;
    }

    private ChannelFormat WidthOfSounds => Layers.Select(l => l.Sample).Append(Sample).Any(s => s?.Lanes == 2) ? ChannelFormat.Stereo : ChannelFormat.Mono;
}

/// <summary>A sound that plays from a velocity up.</summary>
/// <param name="FromVelocity">In [2, 127].</param>
public sealed record SampleLayer(int FromVelocity, MediaRef Sample);
