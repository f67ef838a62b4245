import { api, asked } from '@/api/client'
import type { Parameter } from '@/api/types'

export type Counted = Parameter['unit']

/** A number as somebody wrote it: with a prefix, a unit of its own, or as a note value. */
export function readValue(text: string, unit: Counted, tempoBpm: number) {
  const reading = asked(api.POST('/api/values', { body: { text, unit, tempoBpm } })).then((answer) => answer.value)
  pending.add(reading)
  void reading.catch(() => undefined).finally(() => pending.delete(reading))
  return reading
}

const pending = new Set<Promise<unknown>>()

/** Waits for what was typed and is still being read: whoever sends a form right after typing means what is typed. */
export async function valuesRead() {
  await Promise.allSettled([...pending])
}

const alike = 1e-6

export interface NoteValue {
  text: string
  quarters: number
}

export const noteOf = (notes: NoteValue[], quarters: number) =>
  notes.find((note) => Math.abs(note.quarters - quarters) < alike)

/** @param notes from the longest */
export function nextNote(notes: NoteValue[], quarters: number, isLonger: boolean): number | undefined {
  return isLonger
    ? notes.findLast((note) => note.quarters > quarters + alike)?.quarters
    : notes.find((note) => note.quarters < quarters - alike)?.quarters
}

const semitone = 2 ** (1 / 12)

/** So many semitones away, as people would write it: to three digits. */
export const semitonesFrom = (hz: number, steps: number) => Number((hz * semitone ** steps).toPrecision(3))
