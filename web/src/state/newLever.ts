import type { Lever } from '@/api/types'

/** A lever under the next number that none has. */
export function newLever(known: readonly { id: string }[], ranges: Lever['ranges'], position: number): Lever {
  const taken = new Set(known.map((l) => l.id))
  let number = taken.size + 1
  while (taken.has(`lever-${number}`)) number++
  return { id: `lever-${number}`, name: `Lever ${number}`, position, ranges, shapes: [] }
}
