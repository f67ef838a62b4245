import type { Schemas } from '@/api/types'

/** How deep a file is written, in words, and what a sample takes. */
export const waveDepths: Record<Schemas['WaveDepth'], [words: string, bytes: number]> = {
  int16: ['16 bit', 2],
  int24: ['24 bit', 3],
  float32: ['32 bit, floating', 4],
}

/** @returns about what sound of so many lanes takes, in MB, as text */
export function megabytesText(lanes: number, seconds: number, sampleRateHz: number, depth: Schemas['WaveDepth']) {
  const megabytes = (lanes * seconds * sampleRateHz * waveDepths[depth][1]) / 1e6
  return `${megabytes.toFixed(megabytes < 10 ? 1 : 0)} MB`
}
