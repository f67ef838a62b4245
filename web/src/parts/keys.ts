import type { MusicalKey } from '@/api/types'

const majors = ['C♭', 'G♭', 'D♭', 'A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯']
const minors = ['A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯', 'G♯', 'D♯', 'A♯']

/** Every key signature in both modes, for a list to choose from. */
export const keyChoices: { text: string; value: string }[] = [
  ...minors.map((name, i) => ({ text: `${name} minor`, value: `${i - 7}m` })),
  ...majors.map((name, i) => ({ text: `${name} major`, value: `${i - 7}M` })),
].sort((a, b) => a.text.localeCompare(b.text))

export function keyFromChoice(value: string): MusicalKey | null {
  return value === '' ? null : { fifths: Number.parseInt(value, 10), minor: value.endsWith('m') }
}

export function choiceOf(key: MusicalKey | null | undefined): string {
  return key ? `${key.fifths}${key.minor ? 'm' : 'M'}` : ''
}
