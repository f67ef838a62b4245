import { documentShortcuts, type Shortcut } from '@/parts/keymap'

/** For people; the page itself hears them. */
export const castHelp: readonly Shortcut[] = [
  { act: 'set', chords: [], keys: 'Ctrl Enter', does: 'set the stage' },
  { act: 'take', chords: [], keys: 'Tab', does: 'take what is offered' },
  { act: 'other', chords: [], keys: 'Alt ↓ ↑', does: 'another of what is offered' },
  ...documentShortcuts,
]
