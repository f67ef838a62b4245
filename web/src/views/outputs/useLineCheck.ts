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
  let turn = 0

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
      const row = await fired(head.id, document.act, source)
      if (document.head?.revision === revision) rows.set(note, row)
    } catch (error) {
      trouble.value = sentenceOf(error)
      running.value = false
    }
  }

  /** A run that was stopped, or begun anew, fires nothing more. */
  async function fireAll() {
    const mine = ++turn
    if (running.value) return (running.value = false)
    running.value = true
    rows.clear()
    for (const source of sources.value) {
      await fire(source.note!, false)
      if (mine !== turn) return
    }
    running.value = false
    firing.value = undefined
  }

  watch(
    () => [document.head?.id, document.head?.revision, document.act],
    () => {
      turn++
      rows.clear()
      running.value = false
      firing.value = undefined
    },
  )

  return { rows, firing, running, trouble, sources, wrong, fire, fireAll }
}
