import { documentShortcuts, type Shortcut } from '@/parts/keymap'

/** What the table of sends does by keys while it has the focus. */
export const gridShortcuts = [
  { act: 'up', chords: ['ArrowUp'], keys: '↑ ↓ ← →', does: 'the send beside it' },
  { act: 'down', chords: ['ArrowDown'], keys: '', does: '' },
  { act: 'left', chords: ['ArrowLeft'], keys: '', does: '' },
  { act: 'right', chords: ['ArrowRight'], keys: '', does: '' },
  { act: 'top', chords: ['Home'], keys: 'Home, End', does: 'the first and the last channel' },
  { act: 'bottom', chords: ['End'], keys: '', does: '' },
  { act: 'louder', chords: ['alt+ArrowUp'], keys: 'Alt ↑ ↓', does: '1 dB louder or quieter, all of the block' },
  { act: 'quieter', chords: ['alt+ArrowDown'], keys: '', does: '' },
  { act: 'send', chords: ['Enter'], keys: 'Enter', does: 'send where nothing is sent yet, at −12 dB' },
  { act: 'open', chords: ['o'], keys: 'o', does: 'open or close' },
  { act: 'tap', chords: ['p'], keys: 'p', does: 'before or after the fader' },
  { act: 'alone', chords: ['l'], keys: 'l', does: 'hear this send alone' },
  { act: 'remove', chords: ['Delete', 'Backspace'], keys: 'Delete', does: 'take the sends away' },
] as const satisfies readonly Shortcut[]

export type GridAct = (typeof gridShortcuts)[number]['act']

/** For people. */
export const sendsHelp: readonly Shortcut[] = [
  ...gridShortcuts.filter((s) => s.keys),
  { act: 'extend', chords: [], keys: 'Shift with arrows', does: 'a block of sends; dragging does the same' },
  { act: 'type', chords: [], keys: '0–9, −', does: 'type a level for the whole block' },
  ...documentShortcuts,
]
