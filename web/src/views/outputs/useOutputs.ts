import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { outputsOf } from './outputCalls'
import { sentenceOf } from '@/api/client'
import type { OutputLine, OutputsView } from '@/api/types'
import { useDocument } from '@/state/document'

/** The outputs of one instrument: as they are, or as one of the plans would have them. */
export function useOutputs(channel: Ref<string | undefined>) {
  const document = useDocument()
  const view = shallowRef<OutputsView>()
  /** Place of the plan that is looked at; undefined for what is there. */
  const looked = ref<number>()
  const trouble = ref<string>()
  let asking = 0

  const kit = computed(() => {
    const source = channel.value ? document.rows.get(channel.value)?.channel.source : undefined
    return source?.type === 'instrument' ? (source.kit ?? undefined) : undefined
  })
  const plan = computed(() => (looked.value === undefined ? undefined : view.value?.plans[looked.value]))
  const lines = computed(() => (plan.value?.lines ?? view.value?.now ?? []) as OutputLine[])
  /** The plan that has been applied, if any. */
  const standing = computed(() => view.value?.plans.findIndex((p) => p.edits.length === 0) ?? -1)
  /** How many splits carry pieces now: where the slider stands while no plan is. */
  const used = computed(
    () => (view.value?.now ?? []).filter((line) => line.number > 1 && line.pieces.length > 0).length,
  )
  const pieces = computed(() => (view.value?.order ?? []).map((index) => ({ index, piece: view.value!.parts[index]! })))

  async function fetchOutputs() {
    const head = document.head
    if (!head || !channel.value || !kit.value) return (view.value = undefined)
    const mine = ++asking
    try {
      const answer = await outputsOf(head.id, channel.value, document.act)
      if (mine !== asking) return
      view.value = answer
      trouble.value = undefined
      if (looked.value !== undefined && !answer.plans[looked.value]) looked.value = undefined
    } catch (error) {
      if (mine === asking) trouble.value = sentenceOf(error)
    }
  }

  /** One step along the plans, from what is there to the nearest of them. */
  function step(by: number) {
    const count = view.value?.plans.length ?? 0
    if (count === 0) return
    const from = looked.value ?? (standing.value >= 0 ? standing.value : Math.max(0, used.value - 1))
    looked.value = Math.min(count - 1, Math.max(0, from + by))
  }

  async function apply() {
    if (!plan.value || !(await document.edit(plan.value.edits, channel.value))) return
    looked.value = undefined
  }

  /** How plans use the outputs: the first for the rest or not, mono pieces by halves of a pair or not. */
  function use(first: boolean, halves: boolean) {
    if (!channel.value) return
    const edit = { type: 'set-kit-use', channel: channel.value, firstReserved: first, monoSharesPairs: halves } as const
    void document.edit([edit], channel.value)
  }

  watch(channel, () => {
    looked.value = undefined
    view.value = undefined
  })
  watch(() => [document.head?.id, document.head?.revision, document.act, channel.value], fetchOutputs, {
    immediate: true,
  })

  return { view, looked, trouble, kit, plan, lines, standing, used, pieces, step, apply, use }
}
