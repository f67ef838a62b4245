import type { Schemas } from '@/api/types'

/** Lines of handwork with what they are ticked by. Two compressors of a channel may want the same: what is said again is another line. */
export function workLines(work: readonly Schemas['SheetWork'][]) {
  const said = new Map<string, number>()
  return work.map(({ kind, channel, words }) => {
    const what = `${channel ?? ''} ${words}`
    const times = (said.get(what) ?? 0) + 1
    said.set(what, times)
    return { kind, words, id: times === 1 ? what : `${what} ${times}` }
  })
}
