namespace HomeStage.Formats.Packages;

/// <summary>What a song's package can hold, in the order in which it is written.</summary>
public enum PackagePart
{
    /// <summary>Everything, as JSON that is read back.</summary>
    Document,

    /// <summary>DAWproject.</summary>
    Project,

    /// <summary>Standard MIDI File.</summary>
    Midi,

    /// <summary>The printable page, as HTML.</summary>
    CallSheet,

    /// <summary>A MIDI name document for each kit.</summary>
    NoteNames,

    /// <summary>What the soundcheck finds in each act, as text.</summary>
    Soundcheck,

    /// <summary>The main, rendered, as WAVE of 24 bits.</summary>
    Main,

    /// <summary>What feeds the last sum, each as WAVE of 24 bits.</summary>
    Stems,
}
