import { documentShortcuts, type Shortcut } from '@/parts/keymap'

/** What is done to the rows, while one of them has the focus. */
export const rowShortcuts = [
  { act: 'above', chords: ['ArrowUp'], keys: '↑', does: 'the channel above' },
  { act: 'below', chords: ['ArrowDown'], keys: '↓', does: 'the channel below' },
  { act: 'close', chords: ['ArrowLeft'], keys: '←', does: 'fold, or to its bus' },
  { act: 'unfold', chords: ['ArrowRight'], keys: '→', does: 'unfold, or to its first channel' },
  { act: 'far-above', chords: ['PageUp'], keys: 'Page ↑', does: 'far up' },
  { act: 'far-below', chords: ['PageDown'], keys: 'Page ↓', does: 'far down' },
  { act: 'first', chords: ['Home'], keys: 'Home', does: 'the first' },
  { act: 'last', chords: ['End'], keys: 'End', does: 'the last' },
  { act: 'earlier', chords: ['alt+ArrowUp'], keys: 'Alt ↑', does: 'move before its neighbour' },
  { act: 'later', chords: ['alt+ArrowDown'], keys: 'Alt ↓', does: 'move after its neighbour' },
  { act: 'into', chords: ['alt+ArrowRight'], keys: 'Alt →', does: 'put under the bus above it' },
  { act: 'out', chords: ['alt+ArrowLeft'], keys: 'Alt ←', does: 'take out of its bus' },
  { act: 'more-above', chords: ['shift+ArrowUp'], keys: 'Shift ↑', does: 'choose the one above too' },
  { act: 'more-below', chords: ['shift+ArrowDown'], keys: 'Shift ↓', does: 'choose the one below too' },
  { act: 'all-above', chords: ['shift+Home'], keys: 'Shift Home', does: 'choose all above' },
  { act: 'all-below', chords: ['shift+End'], keys: 'Shift End', does: 'choose all below' },
  { act: 'all', chords: ['ctrl+a'], keys: 'Ctrl A', does: 'choose all' },
  { act: 'one-more', chords: ['ctrl+ '], keys: 'Ctrl Space', does: 'choose one more or less' },
  { act: 'one', chords: ['Escape'], keys: 'Escape', does: 'choose one again' },
  { act: 'rename', chords: ['Enter', 'F2'], keys: 'Enter or F2', does: 'rename in place' },
  { act: 'bus-around', chords: ['b'], keys: 'b', does: 'put a bus around what is chosen' },
  { act: 'duplicate', chords: ['d'], keys: 'd', does: 'duplicate what is chosen, a bus with what stands under it' },
  { act: 'duplicate-alone', chords: ['D'], keys: 'Shift D', does: 'duplicate a bus alone' },
  { act: 'copy', chords: ['ctrl+c'], keys: 'Ctrl C', does: 'copy the strip, sends, level and pan of the channel' },
  { act: 'paste', chords: ['ctrl+v'], keys: 'Ctrl V', does: 'put what was copied on what is chosen' },
  { act: 'mute', chords: ['m'], keys: 'm', does: 'mute what is chosen, or let it sound again' },
  { act: 'listen', chords: ['l'], keys: 'l', does: 'listen to this channel, or to the main again' },
  { act: 'remove', chords: ['Delete'], keys: 'Delete', does: 'remove what is chosen; what fed it feeds what it fed' },
] as const satisfies readonly Shortcut[]

export type RowAct = (typeof rowShortcuts)[number]['act']

/** What the place does wherever the focus is. */
export const orderShortcuts = [
  { act: 'add', chords: ['n'], keys: 'n', does: 'add a channel' },
  { act: 'piece', chords: ['i'], keys: 'i', does: 'put in a set piece; there its key or its name calls it' },
  ...documentShortcuts,
] as const satisfies readonly Shortcut[]

/** What parts of the place do by themselves while they have the focus. */
const partShortcuts: Shortcut[] = [
  { act: 'step', chords: [], keys: '↑ ↓ in a value', does: 'one step; with Shift ten' },
  { act: 'next', chords: [], keys: 'Tab', does: 'from a channel to its level, its pan, then the side panel' },
  { act: 'loop', chords: [], keys: '[ ] in the waveform', does: 'start and end of the loop; Escape loops all' },
  { act: 'pads', chords: [], keys: '1 to 0, then letters', does: 'the pads in their order, while one has the focus' },
]

export const orderHelp: readonly Shortcut[] = [...orderShortcuts, ...rowShortcuts, ...partShortcuts]
