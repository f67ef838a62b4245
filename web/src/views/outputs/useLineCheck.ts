import { computed, reactive, ref, watch, type Ref } from 'vue'
import { fired } from './outputCalls'
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
  const running = ref(false)
  const trouble = ref<string>()

  const sources = computed(() => (view.value?.sources ?? []) as unknown as LineSource[])
  const wrong = computed(() => [...rows.values()].filter((row) => row.verdict !== 'arrived'))

  async function fire(note: number, aloud = true) {
    const source = sources.value.find((s) => s.note === note)
    const head = document.head
    if (!source || !head) return
    firing.value = note
    trouble.value = undefined
    if (aloud) void pads.press(note)
    const { revision } = head
    try {
      const row = await fired(document.kind, head.id, document.act, source)
      if (document.head?.revision === revision) rows.set(note, row)
    } catch (error) {
      trouble.value = sentenceOf(error)
      running.value = false
    }
  }

  async function fireAll() {
    if (running.value) return (running.value = false)
    running.value = true
    rows.clear()
    for (const source of sources.value) {
      if (!running.value) break
      await fire(source.note!, false)
    }
    running.value = false
    firing.value = undefined
  }

  watch(
    () => [document.head?.id, document.head?.revision, document.act],
    () => {
      rows.clear()
      running.value = false
      firing.value = undefined
    },
  )

  return { rows, firing, running, trouble, sources, wrong, fire, fireAll }
}
