import { computed, reactive, ref, watch, type Ref } from 'vue'
import { fired } from '@/state/lineCalls'
import { useLineRun } from '@/linecheck/useLineRun'
import { sentenceOf } from '@/api/client'
import type { LineRow, LineSource, OutputsView } from '@/api/types'
import { useDocument } from '@/state/document'
import { usePads } from '@/state/pads'

/** Fires pieces, one or all, and keeps where each arrived until something is changed. */
export function useLineCheck(view: Ref<OutputsView | undefined>) {
  const document = useDocument()
  const pads = usePads()
  const rows = reactive(new Map<number, LineRow>())
  const firing = ref<number>()
  const { running, trouble, run, stop } = useLineRun()

  const sources = computed(() => (view.value?.sources ?? []) as unknown as LineSource[])
  const wrong = computed(() => [...rows.values()].filter((row) => row.verdict !== 'arrived'))

  /** What was measured holds for the revision that it was measured at. */
  async function measure(source: LineSource) {
    const head = document.head!
    firing.value = source.note!
    const { revision } = head
    const row = await fired(head.id, document.act, source)
    return () => {
      if (document.head?.revision === revision) rows.set(source.note!, row)
    }
  }

  async function fire(note: number) {
    const source = sources.value.find((s) => s.note === note)
    if (!source || !document.head) return
    trouble.value = undefined
    void pads.press(note)
    try {
      const take = await measure(source)
      take()
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  async function fireAll() {
    if (!running.value) rows.clear()
    await run(sources.value, measure)
    if (!running.value) firing.value = undefined
  }

  watch(
    () => [document.head?.id, document.head?.revision, document.act],
    () => {
      stop()
      rows.clear()
      firing.value = undefined
    },
  )

  return { rows, firing, running, trouble, sources, wrong, fire, fireAll }
}
