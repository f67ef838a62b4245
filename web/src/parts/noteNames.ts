const sharps = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B']
const naturals: Record<string, number> = { c: 0, d: 2, e: 4, f: 5, g: 7, a: 9, b: 11 }

/** Scientific pitch names: note 60 is C4. */
export function noteName(note: number) {
  return `${sharps[note % 12]}${Math.floor(note / 12) - 1}`
}

/**
 * A MIDI note as people write it: its number, or its name with #, ♯, b or ♭.
 * @returns undefined for what is none
 */
export function noteOf(text: string): number | undefined {
  const typed = text.trim()
  if (/^\d{1,3}$/.test(typed)) return within(Number(typed))
  const named = /^([a-g])([#♯b♭]?)\s*(-?\d{1,2})$/i.exec(typed.replace('\u2212', '-'))
  if (!named) return undefined
  const turn = { '': 0, '#': 1, '♯': 1, b: -1, B: -1, '♭': -1 }[named[2]!]!
  return within(naturals[named[1]!.toLowerCase()]! + turn + (Number(named[3]) + 1) * 12)
}

/** A note in a field: "38 D2". */
export function noteText(note: number) {
  return `${note} ${noteName(note)}`
}

/**
 * A note from a field, where number and name may both stand: the one that was changed counts.
 * @param before the note that the field showed
 */
export function noteFromText(text: string, before: number | null): number | undefined {
  const whole = noteOf(text)
  if (whole !== undefined) return whole
  const both = text.trim().split(/\s+/).map(noteOf)
  return both.length === 2 && both[0] !== undefined && both[1] !== undefined
    ? (both.find((note) => note !== before) ?? both[0])
    : undefined
}

function within(note: number) {
  return note >= 0 && note <= 127 ? note : undefined
}
