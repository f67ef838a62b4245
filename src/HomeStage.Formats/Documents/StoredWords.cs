using HomeStage.Core.Automation;
using HomeStage.Core.Editing;
using HomeStage.Core.Notes;
using HomeStage.Core.Shelf;
using HomeStage.Core.Templates;

namespace HomeStage.Formats.Documents;

/// <summary>The words by which cases of closed families are known in documents, in the edit log and on the wire.</summary>
/// <remarks>They outlive the names of classes: a class may be renamed, its word may not, and none is ever used for another thing.</remarks>
internal static class StoredWords
{
    /// <summary>Families, and in each the word of every case.</summary>
    public static IReadOnlyDictionary<Type, Dictionary<Type, string>> Families { get; } = new Dictionary<Type, Dictionary<Type, string>>
    {
        [typeof(Edit)] = new()
        {
            [typeof(AcceptFinding)] = "accept-finding",
            [typeof(AddChannel)] = "add-channel",
            [typeof(AddInsert)] = "add-insert",
            [typeof(AddPrintTwin)] = "add-print-twin",
            [typeof(AddSends)] = "add-sends",
            [typeof(BusAround)] = "bus-around",
            [typeof(Describe)] = "describe",
            [typeof(DuplicateChannels)] = "duplicate-channels",
            [typeof(KeepFamilyWhole)] = "keep-family-whole",
            [typeof(KeepPatch)] = "keep-patch",
            [typeof(MakeChannel)] = "make-channel",
            [typeof(MakeInsert)] = "make-insert",
            [typeof(MonitorInputs)] = "monitor-inputs",
            [typeof(MoveChannel)] = "move-channel",
            [typeof(MoveInsert)] = "move-insert",
            [typeof(NameChannels)] = "name-channels",
            [typeof(ParkInsert)] = "park-insert",
            [typeof(PinTogether)] = "pin-together",
            [typeof(PutAside)] = "put-aside",
            [typeof(PutFarMicrophone)] = "put-far-microphone",
            [typeof(PutFeed)] = "put-feed",
            [typeof(PutGroove)] = "put-groove",
            [typeof(PutKitOutput)] = "put-kit-output",
            [typeof(PutLever)] = "put-lever",
            [typeof(PutPatch)] = "put-patch",
            [typeof(PutPattern)] = "put-pattern",
            [typeof(PutPiece)] = "put-piece",
            [typeof(PutSend)] = "put-send",
            [typeof(PutShape)] = "put-shape",
            [typeof(PutShelfCopy)] = "put-shelf-copy",
            [typeof(PutStarter)] = "put-starter",
            [typeof(RemoveAside)] = "remove-aside",
            [typeof(RemoveChannel)] = "remove-channel",
            [typeof(RemoveFeed)] = "remove-feed",
            [typeof(RemoveGroove)] = "remove-groove",
            [typeof(RemoveInsert)] = "remove-insert",
            [typeof(RemoveKitOutput)] = "remove-kit-output",
            [typeof(RemoveLever)] = "remove-lever",
            [typeof(RemovePatch)] = "remove-patch",
            [typeof(RemovePattern)] = "remove-pattern",
            [typeof(RemovePieces)] = "remove-pieces",
            [typeof(RemoveSend)] = "remove-send",
            [typeof(RemoveShape)] = "remove-shape",
            [typeof(RemoveShelfCopy)] = "remove-shelf-copy",
            [typeof(RemoveStarter)] = "remove-starter",
            [typeof(RenameChannel)] = "rename-channel",
            [typeof(RestoreActs)] = "restore-acts",
            [typeof(RestoreChannels)] = "restore-channels",
            [typeof(SendToOutput)] = "send-to-output",
            [typeof(SetActs)] = "set-acts",
            [typeof(SetDestination)] = "set-destination",
            [typeof(SetDevice)] = "set-device",
            [typeof(SetFormat)] = "set-format",
            [typeof(SetGroove)] = "set-groove",
            [typeof(SetHue)] = "set-hue",
            [typeof(SetInstrumentSetting)] = "set-instrument-setting",
            [typeof(SetKey)] = "set-key",
            [typeof(SetKitUse)] = "set-kit-use",
            [typeof(SetLevel)] = "set-level",
            [typeof(SetMusicalKey)] = "set-musical-key",
            [typeof(SetMute)] = "set-mute",
            [typeof(SetNote)] = "set-note",
            [typeof(SetNoteInput)] = "set-note-input",
            [typeof(SetNoteProcessors)] = "set-note-processors",
            [typeof(SetOpening)] = "set-opening",
            [typeof(SetOutputPair)] = "set-output-pair",
            [typeof(SetOutputs)] = "set-outputs",
            [typeof(SetPan)] = "set-pan",
            [typeof(SetParameter)] = "set-parameter",
            [typeof(SetPiecePlace)] = "set-piece-place",
            [typeof(SetPieceSound)] = "set-piece-sound",
            [typeof(SetPlays)] = "set-plays",
            [typeof(SetPolarity)] = "set-polarity",
            [typeof(SetPrintTwin)] = "set-print-twin",
            [typeof(SetRole)] = "set-role",
            [typeof(SetSampling)] = "set-sampling",
            [typeof(SetSettings)] = "set-settings",
            [typeof(SetSource)] = "set-source",
            [typeof(SetSpare)] = "set-spare",
            [typeof(SetStage)] = "set-stage",
            [typeof(SetStandIn)] = "set-stand-in",
            [typeof(SetTimeline)] = "set-timeline",
            [typeof(SetTrigger)] = "set-trigger",
            [typeof(SetWaitsFor)] = "set-waits-for",
            [typeof(TakeInput)] = "take-input",
            [typeof(TakeInputs)] = "take-inputs",
            [typeof(TakePatch)] = "take-patch",
            [typeof(TakeSpare)] = "take-spare",
        },
        [typeof(Source)] = new()
        {
            [typeof(InputSource)] = "input",
            [typeof(InstrumentSource)] = "instrument",
            [typeof(InternalSource)] = "internal",
            [typeof(OutputSource)] = "output",
        },
        [typeof(ShelfContent)] = new()
        {
            [typeof(DeviceContent)] = "device",
            [typeof(GrooveContent)] = "groove",
            [typeof(KitContent)] = "kit",
            [typeof(MachineContent)] = "machine",
            [typeof(PatchContent)] = "patch",
            [typeof(StudioContent)] = "studio",
        },
        [typeof(NoteProcessor)] = new()
        {
            [typeof(Arpeggio)] = "arpeggio",
            [typeof(StepPattern)] = "step-pattern",
            [typeof(Transpose)] = "transpose",
        },
        [typeof(Target)] = new()
        {
            [typeof(ControllerTarget)] = "controller",
            [typeof(InsertTarget)] = "insert",
            [typeof(InstrumentTarget)] = "instrument",
            [typeof(LevelTarget)] = "level",
            [typeof(PanTarget)] = "pan",
            [typeof(SendTarget)] = "send",
        },
    };
}
