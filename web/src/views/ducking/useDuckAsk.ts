import { ref, watch, type Ref } from 'vue'
import { solved } from './duckingCalls'
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
  const limit = ref<string | null>(null)
  const trouble = ref<string>()
  const quarterMs = () => 60000 / (ducking.value?.tempoBpm ?? 120)

  watch(
    () => ducker.value && `${ducker.value.channel}/${ducker.value.insert}`,
    () => {
      const reading = ducker.value?.reading
      depth.value = Math.max(depthRangeDb.min, Math.round((reading?.depthDb ?? 6) * 10) / 10)
      if (reading?.backMs) back.value = nearestNote(reading.backMs / quarterMs())
      limit.value = null
      trouble.value = undefined
    },
    { immediate: true },
  )

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

  async function solve() {
    const asked = ducker.value
    if (!document.head || !asked || !ducking.value) return
    solving.value = true
    trouble.value = undefined
    await valuesRead()
    try {
      const { channel, insert } = asked
      const ask = { depthDb: depth.value, backQuarters: back.value, stayMs: stay.value, soft: soft.value }
      const answer = await solved(document.head.id, document.act, ducking.value.section, { channel, insert }, ask)
      limit.value = answer.limit
      if (answer.edits.length) await document.edit(answer.edits, channel)
    } catch (error) {
      trouble.value = sentenceOf(error)
    } finally {
      solving.value = false
    }
  }

  return { depth, back, stay, soft, solving, limit, trouble, quarterMs, want, nearestNote, nextNote, solve }
}
