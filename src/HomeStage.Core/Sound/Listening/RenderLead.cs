namespace HomeStage.Core.Sound.Listening;

/// <summary>What comes before the first frame of a section that is heard alone.</summary>
public enum RenderLead
{
    /// <summary>Nothing: every processor and every tail begins with the section.</summary>
    FromRest,

    /// <summary>The song up to there, so that the section sounds as it does within the whole.</summary>
    AsInTheSong,
}
