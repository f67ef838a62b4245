import { documentShortcuts, type Shortcut } from '@/parts/keymap'

/** What the strip does by keys. */
export const stripShortcuts = [
  { act: 'before', chords: ['['], keys: '[', does: 'the channel before' },
  { act: 'next', chords: [']'], keys: ']', does: 'the next channel' },
  ...documentShortcuts,
] as const satisfies readonly Shortcut[]

/** What its parts do by themselves while they have the focus. */
const within = [
  { act: 'choose-insert', chords: [], keys: '← →', does: 'on an insert: the one beside it' },
  { act: 'move-insert', chords: [], keys: 'Alt ← →', does: 'on an insert: move it' },
  { act: 'park-insert', chords: [], keys: 'p', does: 'on an insert: live or parked in this act' },
  { act: 'remove-insert', chords: [], keys: 'Delete', does: 'on an insert: take it out' },
  {
    act: 'move-point',
    chords: [],
    keys: '← → ↑ ↓',
    does: 'on a point: frequency and gain; with Shift in larger steps',
  },
  { act: 'widen-point', chords: [], keys: 'Page ↑ ↓', does: 'on a point: narrower or wider' },
  { act: 'switch-point', chords: [], keys: 'Enter', does: 'on a point: on or off, or back to 0 dB' },
] as const satisfies readonly Shortcut[]

export const stripHelp: readonly Shortcut[] = [...stripShortcuts, ...within]
