import type { CountIn, Meter } from '@/api/types'

/** @throws {Error} with a sentence that names what was to be a number */
export function numberOf(text: string, what: string): number {
  const value = Number(text.replace(',', '.'))
  if (text.trim() === '' || !Number.isFinite(value)) throw new Error(`${what} is a number; it was “${text}”.`)
  return value
}

/** @throws {Error} with a sentence that names what was to be a meter */
export function meterOf(text: string, what: string): Meter {
  const match = /^\s*(\d+)\s*\/\s*(\d+)\s*$/.exec(text)
  if (!match) throw new Error(`${what} is written like 6/8; it was “${text}”.`)
  return { beats: Number(match[1]), unit: Number(match[2]) }
}

/** Quarter notes a minute, to a hundredth. */
export const bpmText = (bpm: number | undefined) => (bpm === undefined ? '' : String(Number(bpm.toFixed(2))))

export const meterText = (m: Meter | null | undefined) => (m ? `${m.beats}/${m.unit}` : '')

/**
 * @returns null where nothing is counted
 * @throws {Error} where the bars are no number
 */
export function countOf(bars: string, click: boolean): CountIn | null {
  const counted = numberOf(bars, 'The bars of the count-in')
  return counted > 0 || click ? { bars: counted, click } : null
}
