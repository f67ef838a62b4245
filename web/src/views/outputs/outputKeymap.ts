import { documentShortcuts, type Shortcut } from '@/parts/keymap'

export const outputShortcuts = [
  { act: 'coarser', chords: [','], keys: ',', does: 'a coarser plan' },
  { act: 'finer', chords: ['.'], keys: '.', does: 'a finer plan' },
  { act: 'as-it-is', chords: ['Escape'], keys: 'Escape', does: 'back to what is there' },
  { act: 'alone', chords: ['a'], keys: 'a', does: 'the chosen piece keeps an output to itself' },
  { act: 'on-first', chords: ['r'], keys: 'r', does: 'it stays on the first output, with the rest' },
  { act: 'by-plan', chords: ['p'], keys: 'p', does: 'it stands where the plan puts it' },
  { act: 'output-before', chords: ['['], keys: '[', does: 'the chosen piece goes to the output before' },
  { act: 'output-after', chords: [']'], keys: ']', does: 'it goes to the output after' },
  { act: 'fire', chords: ['f'], keys: 'f', does: 'fire every piece, or stop' },
  ...documentShortcuts,
] as const satisfies readonly Shortcut[]
