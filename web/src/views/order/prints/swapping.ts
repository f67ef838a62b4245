import type { Edit } from '@/api/types'

/** @returns what lets prints play in an act and their instruments rest, or the other way round */
export function swapping(pairs: readonly { channel: string; twin: string }[], act: string, toPrints: boolean): Edit[] {
  const stage = (channel: string, state: 'on-stage' | 'in-the-wings'): Edit => ({
    type: 'set-stage',
    channel,
    act,
    state,
  })
  const plays = pairs.map((p) => stage(toPrints ? p.twin : p.channel, 'on-stage'))
  // What comes on stage brings what it records: that rests again afterwards.
  return [...plays, ...pairs.map((p) => stage(toPrints ? p.channel : p.twin, 'in-the-wings'))]
}
