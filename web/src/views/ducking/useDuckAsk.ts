import { ref, watch, type Ref } from 'vue'
import { keyOf, solved } from './duckingCalls'
import { sentenceOf } from '@/api/client'
import type { Ducker, Ducking } from '@/api/types'
import { valuesRead } from '@/parts/written'
import { useCatalogue } from '@/state/catalogue'
import { useDocument } from '@/state/document'

export type DuckAsking = ReturnType<typeof useDuckAsk>

/** The least and the most that can be asked for. */
export const depthRangeDb = { min: 1, max: 40 }

/** What is asked of the chosen ducker: begun with what it does, said in the panel or by dragging its curve, worked out and measured. */
export function useDuckAsk(ducker: Ref<Ducker | undefined>, ducking: Ref<Ducking | undefined>) {
  const document = useDocument()
  const catalogue = useCatalogue()
  const depth = ref(6)
  const back = ref(0.5)
  const stay = ref(0)
  const soft = ref(false)
  const solving = ref(false)
  /** Whether more was asked than the reading on the screen shows as yet. */
  const isAhead = ref(false)
  const newest = new Map<string, object>()
  let turn: Promise<unknown> = Promise.resolve()
  const limit = ref<string | null>(null)
  const trouble = ref<string>()
  const quarterMs = () => 60000 / (ducking.value?.tempoBpm ?? 120)

  watch(
    () => ducker.value && keyOf(ducker.value),
    () => {
      const reading = ducker.value?.reading
      depth.value = Math.max(depthRangeDb.min, Math.round((reading?.depthDb ?? 6) * 10) / 10)
      if (reading?.backMs) back.value = nearestNote(reading.backMs / quarterMs())
      limit.value = null
      trouble.value = undefined
      isAhead.value = false
    },
    { immediate: true },
  )
  watch(ducking, () => (isAhead.value = isAhead.value && solving.value))

  function want(wish: { depth?: number; back?: number; stay?: number; soft?: boolean }) {
    depth.value = wish.depth ?? depth.value
    back.value = wish.back ?? back.value
    stay.value = wish.stay ?? stay.value
    soft.value = wish.soft ?? soft.value
  }

  function nearestNote(quarters: number) {
    const known = catalogue.known.noteValues.map((n) => n.quarters)
    return known.reduce((best, q) => (Math.abs(q - quarters) < Math.abs(best - quarters) ? q : best), known[0] ?? 0.5)
  }

  /** The next longer or shorter note value. */
  function nextNote(by: 1 | -1) {
    const known = catalogue.known.noteValues.map((n) => n.quarters).sort((a, b) => (a - b) * by)
    return known.find((q) => (q - back.value) * by > 1e-6) ?? back.value
  }

  /** What the ducker does now, where nothing newer was asked of it. */
  function wantWhatIs(depthDb: number, backQuarters: number) {
    if (!isAhead.value) want({ depth: depthDb, back: backQuarters })
  }

  /** Works out what is asked of the chosen ducker, after what was asked before; of several asks for one that wait, the newest alone. */
  async function solve() {
    const of = ducker.value
    const section = ducking.value?.section
    if (!of || section === undefined) return
    isAhead.value = true
    await valuesRead()
    const ask = { depthDb: depth.value, backQuarters: back.value, stayMs: stay.value, soft: soft.value }
    newest.set(keyOf(of), ask)
    turn = turn.then(() => (newest.get(keyOf(of)) === ask ? solveNow(of, section, ask) : undefined))
    await turn
  }

  async function solveNow({ channel, insert }: Ducker, section: string, ask: Parameters<typeof solved>[4]) {
    if (!document.head) return
    solving.value = true
    trouble.value = undefined
    try {
      const answer = await solved(document.head.id, document.act, section, { channel, insert }, ask)
      limit.value = answer.limit
      if (answer.edits.length) await document.edit(answer.edits, channel)
      else isAhead.value = false
    } catch (error) {
      isAhead.value = false
      trouble.value = sentenceOf(error)
    } finally {
      solving.value = false
    }
  }

  return { depth, back, stay, soft, solving, limit, trouble, quarterMs, want, wantWhatIs, nearestNote, nextNote, solve }
}
