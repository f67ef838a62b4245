import { useDebounceFn } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { sentenceOf } from '@/api/client'
import type { Insert, Meters, NewRender } from '@/api/types'
import { useDocument } from '@/state/document'
import { dropRender, startRender, watchRender } from '@/state/renderCalls'

const settleMs = 250

/** What goes into an insert and what comes out of it, measured over a section by two renders after each edit. */
export function useMeasured(
  channel: Ref<string | undefined>,
  insert: Ref<Insert | undefined>,
  section: Ref<string | null>,
) {
  const document = useDocument()
  const before = shallowRef<Meters>()
  const after = shallowRef<Meters>()
  const measuring = ref(false)
  const trouble = ref<string>()
  let turn = 0
  const open = new Set<string>()

  const about = computed(() =>
    [document.head?.id, document.head?.revision, document.act, channel.value, insert.value?.id, section.value].join(
      '/',
    ),
  )

  async function read(request: NewRender, mine: number) {
    const { id } = await startRender(request)
    open.add(id)
    const job = await watchRender(id, () => mine === turn)
    open.delete(id)
    if (!job) await dropRender(id)
    return job?.meters ?? undefined
  }

  const measure = useDebounceFn(async () => {
    const mine = ++turn
    const { head, act } = document
    if (!head || !channel.value || !insert.value) return
    const request = {
      document: head.id, act, listenTo: channel.value, section: section.value, insert: insert.value.id, metersInFull: false, lead: 'from-rest' as const,
    } // prettier-ignore
    measuring.value = true
    trouble.value = undefined
    try {
      const first = await read({ ...request, point: 'before-insert' }, mine)
      const second = mine === turn ? await read({ ...request, point: 'after-insert' }, mine) : undefined
      if (mine !== turn) return
      before.value = first
      after.value = second
    } catch (error) {
      if (mine !== turn) return
      before.value = after.value = undefined
      trouble.value = sentenceOf(error)
    } finally {
      if (mine === turn) measuring.value = false
    }
  }, settleMs)

  watch(about, measure, { immediate: true })
  watch([channel, () => insert.value?.id], () => (before.value = after.value = undefined))
  onScopeDispose(() => {
    turn++
    for (const id of open) void dropRender(id)
  })
  return { before, after, measuring, trouble }
}
