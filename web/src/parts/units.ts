import type { Parameter } from '@/api/types'

const symbols: Partial<Record<Parameter['unit'], string>> = {
  decibels: 'dB', hertz: 'Hz', milliseconds: 'ms', seconds: 's', percent: '%', ratio: ': 1', quality: 'Q',
  quarters: 'quarter notes', semitones: 'st', octaves: 'octaves',
} // prettier-ignore

/** What stands behind a number. */
export const unitSymbol = (unit: Parameter['unit']) => symbols[unit] ?? ''
