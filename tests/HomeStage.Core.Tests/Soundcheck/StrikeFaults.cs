using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using HomeStage.Core.Templates;
using static HomeStage.TestKit.Stages;

namespace HomeStage.Core.Tests.Soundcheck;

/// <summary>What is left of a song in the template that was struck from it.</summary>
internal static class StrikeFaults
{
    private static readonly ShapePoint[] Rise = [new(0, -12), new(1, 0)];
    private static readonly Edit[] Recorded =
    [
        new AddChannel(new() { Id = new("tin"), Name = "Tin whistle tk4", Kind = ChannelKind.Audio, Destination = EmptyStage.MixBus }),
        new PutStarter(new("tin"), new("Whistle 4", new(new('7', 64), "Whistle 4", 44100, 1, 90_000), false, new(0), []) { Through = true }),
        new RenameChannel(new("lead"), "Tone in front"),
        new PutPattern(new("lead"), new("Solo", 1920, [new(0, 480, 61, 90)], [])),
        new PutShape(new("lead"), new(new LevelTarget(), "song", Rise.ToSequence())),
        new SetPan(new("low"), -0.4),
    ];

    /// <summary>The song of which the faults are left; null for a template that was struck from none.</summary>
    public static Template? SongOf(Template template) => template.Channels.Contains(new("struck")) ? Song(template) : null;

    public static (string Rule, Template[] Faults)[] In(Template inOrder)
    {
        var struck = inOrder.With(Bus("struck", "mix-bus"), Tone("oak", "struck"), new RenameChannel(new("lead"), "Tone in front"));
        return
        [
            ("notes-left", [struck.With(Recorded[3])]),
            ("sounds-left", [struck.With(((AddChannel)Recorded[0]) with { Channel = ((AddChannel)Recorded[0]).Channel with { Name = "Tin whistle" } }, Recorded[1])]),
            ("curves-left", [struck.With(Recorded[4])]),
            ("levels-left", [struck.With(Recorded[5]), struck.With(new SetLevel(new("low"), new(-3.5))), struck.With(new SetMute(new("oak"), true))]),
            ("names-left", [struck.With(Recorded[0])]),
        ];
    }

    /// <summary>Everything that is left was in it; and what it has beside is nobody's fault.</summary>
    private static Template Song(Template struck)
    {
        var song = struck.Channels.Contains(new("tin")) ? struck.With(Recorded[1..]) : struck.With(Recorded);
        // Notes that were written since the strike are none of the song's.
        return song.With(new RemovePattern(new("oak"), "Held"), new RemovePattern(new("low"), "Held"), new RemovePattern(new("lead"), "Held")) with { Name = "Wet slate" };
    }
}
