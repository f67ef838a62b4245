import type { StrikeGroup } from '@/api/types'

/** How each group of a strike is headed: what its ticked lines come to, and what it is about. */
export const strikeGroups: Record<StrikeGroup, { title: string; about: string }> = {
  takes: { title: 'Takes that go', about: 'One of each thing stays and carries its sends and keys on.' },
  prints: { title: 'Prints that go', about: 'Audio that was made of another channel.' },
  sounds: { title: 'Recordings that go', about: 'The sounds themselves stay with the song.' },
  notes: { title: 'Notes that go', about: '' },
  curves: { title: 'Curves that go', about: '' },
  returns: { title: 'Unused returns that go', about: '' },
  inserts: { title: 'Doubled inserts that go', about: '' },
  woken: { title: 'Brought back', about: 'They rested while their print sounded.' },
  levels: {
    title: 'Put to rest',
    about: 'Faders to 0 dB, pans to the centre, mutes off, or as the template had them.',
  },
  names: { title: 'Called anew', about: '' },
  odd: { title: 'Worth a look', about: 'Nothing is done about these.' },
}
