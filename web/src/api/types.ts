import type { components } from './schema'

export type Schemas = components['schemas']

export type Edit = Schemas['Edit']
export type DocumentKind = Schemas['DocumentKind']
export type ChannelKind = Schemas['ChannelKind']
export type ChannelFormat = Schemas['ChannelFormat']
export type StageState = Schemas['StageState']
export type NoteTrigger = Omit<Schemas['NoteTrigger'], 'notes'> & { notes: string[] }
export type Insert = Omit<Required<Schemas['Insert']>, 'trigger'> & { trigger: NoteTrigger | null }
export type Ducking = Omit<Schemas['DuckingView'], 'duckers'> & { duckers: Ducker[] }
export type EchoReading = Schemas['EchoReading']
export type ReturnReading = Schemas['ReturnReading']
export type Returns = Omit<Schemas['ReturnsView'], 'returns'> & {
  returns: (Omit<Schemas['ReturnView'], 'channel'> & { channel: string })[]
}
export type Steps = Schemas['StepsView']
export type Ducker = Omit<Schemas['DuckerView'], 'channel' | 'insert'> & { channel: string; insert: string }
export type RoomAsk = Schemas['RoomAsk']
export type Chain = Required<Schemas['Chain']>
export type ChainControl = Schemas['ChainControl']
export type ChainMove = Schemas['ChainMove']
export type Send = Required<Schemas['Send']>
export type SidechainFeed = Required<Schemas['SidechainFeed']>
export type Pattern = Schemas['Pattern']
export type Note = Schemas['Note']
export type Kit = Schemas['Kit']
export type Source = Schemas['Source']
export type MusicalKey = Schemas['MusicalKey']
export type Meter = Schemas['Meter']
export type CountIn = Schemas['CountIn']
export type TimelineWish = Schemas['TimelineWish']

/** A channel as the server sends it: whole, with every default written out. */
export type Channel = Omit<
  Required<Schemas['Channel']>,
  'inserts' | 'chains' | 'sends' | 'feeds' | 'plays' | 'noteInput'
> & {
  inserts: Insert[]
  chains: Chain[]
  sends: Send[]
  feeds: SidechainFeed[]
  plays: string[]
  noteInput: NoteInput | null
}
export type NoteInput = Omit<Required<Schemas['NoteInput']>, 'layers'> & { layers: string[] }
export type NoteProcessor = Schemas['NoteProcessor']
export type Groove = Schemas['Groove']
export type AudioStarter = Schemas['AudioStarter']
export type Media = Schemas['MediaRef']
export type Patch = Schemas['Patch']
export type LogEntry = Schemas['LogEntry']
export type Preview = Schemas['PreviewView']
export type ChannelRow = Omit<Schemas['ChannelView'], 'channel'> & { channel: Channel }
export type Head = Schemas['HeadView']
export type ParentView = Schemas['ParentView']
export type ReviewLine = Schemas['ReviewLine']
export type Reviews = Omit<Schemas['ReviewsView'], 'reviews'> & { reviews: ReviewLine[] }
export type Summary = Schemas['SummaryView']
export type Song = Schemas['SongView']
export type Damage = Schemas['Damage']
export type RemovedThing = Schemas['RemovedThing']
export type BroughtIn = Schemas['BroughtIn']
export type Job = Schemas['JobView']
export type SilentReason = Schemas['SilentReason']
export type ListeningPoint = Schemas['ListeningPoint']
export type RenderLead = Schemas['RenderLead']
export type Meters = Schemas['MeterView']
export type Capabilities = Schemas['Capabilities']
export type Catalogue = Schemas['CatalogueView']
export type Parameter = Schemas['ParameterView']
export type MidiAnswer = Schemas['MidiAnswer']
export type MidiPart = Schemas['MidiPartView']
export type Finding = Schemas['FindingView']
export type Mend = Schemas['Mend']
export type Findings = Schemas['FindingsView']
export type Severity = Schemas['Severity']
export type Budget = Schemas['BudgetView']
export type LoudnessMatch = Schemas['LoudnessMatch']
/** Counted in only where it is said. */
export type NewRender = Omit<Schemas['NewRender'], 'countedIn'> & Partial<Pick<Schemas['NewRender'], 'countedIn'>>
export type FullMeters = Schemas['FullMeterView']
export type LoopFit = Schemas['LoopFit']
export type OutputsView = Schemas['OutputsView']
export type OutputLine = Omit<Schemas['OutputLine'], 'channel'> & { channel: string | null }
export type PlanView = Schemas['PlanView']
export type Piece = Kit['pieces'][number]
export type Microphone = Schemas['Microphone']
/** What leaves by an output: a piece, a microphone at one, or a far one. */
export type Part = Schemas['PartView']
export type LineSource = Omit<Schemas['LineSource'], 'channel'> & { channel: string }
export type LineRow = Omit<Schemas['LineView'], 'places' | 'missing' | 'twice'> & {
  places: { channel: string; peakDbfs: number; expected: boolean }[]
  missing: string[]
  twice: string[]
}
export type Machine = Omit<Schemas['MachineView'], 'channel'> & { channel: string }
export type MachineWish = Schemas['MachineWish']
export type KitSwap = Omit<Schemas['KitSwap'], 'empty'> & { empty: string[] }
export type ShelfItem = Schemas['ItemView']
export type ShelfKind = ShelfItem['kind']
/** A part of a document that the shelf can keep, or has given. */
export interface ShelfPart {
  document: string
  kind: ShelfKind
  place: string
  name: string | null
  /** Of a strip: what it is the default for in every new template. */
  for?: StripScope | null
}
export type ShelfUse = Omit<Schemas['UseView'], 'edits'> & { edits: Edit[] }
export type KitElsewhere = Schemas['KitElsewhere']
export type NullTest = Schemas['NullTestView']
export type CabledMachine = Schemas['CabledMachineView']
export type InputLine = Schemas['InputView']
export type InputLight = Schemas['InputLight']
export type InputNaming = Schemas['NamingView']
export type KitFile = Schemas['KitFileAnswer']
export type JackChoice = Schemas['JackChoice']
export type SettledKit = Schemas['SettledView']
export type KitDrafts = Schemas['DraftsView']
export type BroughtKit = Schemas['BroughtKit']
export type OutsideDevice = Required<Schemas['OutsideDevice']>
export type DeviceControl = Schemas['DeviceControl']
export type DeviceState = Schemas['DeviceState']
export type KnownDevice = Schemas['KnownDevice'] & { device: OutsideDevice }
export type StudioInside = Required<Schemas['Studio']>
export type StudioItem = Omit<Schemas['StudioView'], 'studio'> & { studio: StudioInside }
export type StudioDevice = Schemas['StudioDevice']
export type FoundDevices = Schemas['FoundView']
export type StudioFit = Omit<Schemas['FitView'], 'lines' | 'parking'> & {
  lines: FitLine[]
  parking: Omit<Schemas['ParkingView'], 'edits'> & { edits: Edit[] }
}
export type FitLine = Omit<Schemas['FitLineView'], 'choices'> & { choices: FitChoice[] }
export type FitChoice = Omit<Schemas['FitChoiceView'], 'edits'> & { edits: Edit[] }
export type DeviceFit = Schemas['DeviceFitView']
export type MonitoredPath = Schemas['PathView']
export type DeviceSwap = Omit<Schemas['DeviceSwapView'], 'edits'> & { edits: Edit[] }
export type Mended = { name: string; edits: Edit[] }
export type StripScope = Schemas['StripScope']
export type DefaultStripView = Schemas['DefaultStripView']
export type StripStanding = Omit<Schemas['StripStandingView'], 'back'> & { back: Edit[] }
export type DefaultChange = Omit<Schemas['DefaultChangeView'], 'edit' | 'along'> & {
  edit: Edit
  along: { channel: string; name: string; edits: Edit[] }[]
}
export type EqualiserSection = Schemas['EqualiserSection']
export type EqualiserResponse = Schemas['EqualiserResponse']
export type InsertResponse = Omit<Schemas['ResponseView'], 'equaliser'> & { equaliser: EqualiserResponse | null }
export type Target = Schemas['Target']
export type ShapePoint = Schemas['ShapePoint']
export type Shape = Schemas['Shape']
export type ShapeKind = Schemas['ShapeKind']
export type MovableValue = Schemas['MovableValue']
export type MovedValue = Schemas['MovedView']
export type Lever = Schemas['Lever']
export type LeverRange = Schemas['LeverRange']
export type Movement = Schemas['MovementView']
export type WaitingInsert = Schemas['WaitingView']
export type ChannelWish = Schemas['ChannelWish']
export type CastList = Schemas['ListView']
export type CastStage = Omit<Schemas['StageView'], 'marks'> & { marks: CastMark[] }
export type CastRow = Schemas['CastRowView']
export type CastMark = { at: Required<Schemas['CastSpan']>; sentence: string }
export type Brief = Required<Schemas['Brief']>
export type BriefQuestions = Schemas['QuestionsView']
export type CastCompletion = Schemas['CastCompletion']
export type CastSet = Omit<Schemas['SetView'], 'edits'> & { edits: Edit[] }
export type StrikeView = Schemas['StrikeView']
export type StrikeWish = Required<Schemas['StrikeWish']>
export type StrikeLine = Schemas['StrikeLine']
export type StrikeGroup = Schemas['StrikeGroup']
export type StrikeCounts = Schemas['StrikeCounts']
export type RefitView = Omit<Schemas['RefitView'], 'lines' | 'sums'> & { lines: RefitLine[]; sums: PlanSum[] }
export type RefitWish = Required<Schemas['RefitWish']>
export type RefitLine = Omit<Schemas['RefitLine'], 'channel' | 'to'> & { channel: string; to: string | null }
export type RefitKind = Schemas['RefitKind']
export type PlanSum = Omit<Schemas['PlanSum'], 'id'> & { id: string }
export type PackagePart = Schemas['PackagePart']

export type PackagePartView = Schemas['PackagePartView']
export type CameBack = Schemas['CameBack']
