namespace HomeStage.Core.Casting;

/// <summary>A list that shows what a list can say.</summary>
public static class CastExample
{
    public const string Text = """
        # A line is a bus with what stands under it.
        Drums: eleven pads, mono jacks
        Bass: round bass; makes room for Kick, 5 dB, back by 1/8
        Instruments
          reed organ · low pad · two spares
          fiddle on two microphones
        Voices: two singers, three answers; mono; inputs 1
          Narrator: three takes
        Returns: stairwell 1.8 s, spring, slap 1/8 into spring
        Triggers: pulse every beat
        Around the main: reference × 2, count-in
        Sections: Verse 8, Lift 4, Chorus 8
        """;
}
