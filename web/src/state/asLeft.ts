import { useLocalStorage, watchDebounced } from '@vueuse/core'
import { useToast } from 'primevue/usetoast'
import { computed, nextTick, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { ListeningPoint } from '@/api/types'
import { useDocument } from './document'
import { useListening } from './listening'
import { usePads } from './pads'

/** How a document looked when it was left. */
interface Left {
  /** The place in which it was. */
  path: string
  selected: string | null
  act: string
  folded: string[]
  point: string | null
  where: ListeningPoint
  insert: string | null
  section: string | null
  loops: boolean
  pads: boolean
}

const mostKept = 40
const settleMs = 400
const noteMs = 20_000
const key = 'home-stage-left'
const returning = shallowRef<string>()

/**
 * The document that is opened next comes back as it was left.
 * @returns the path of the place in which it was, or undefined where it was never open here
 */
export function returnTo(id: string): string | undefined {
  returning.value = id
  const left = (JSON.parse(localStorage.getItem(key) ?? '{}') as Record<string, Left>)[id]
  return left?.path.startsWith(`/templates/${id}`) ? left.path : undefined
}

/** Remembers how each document looks, and brings back the one that is returned to. */
export function useAsLeft() {
  const document = useDocument()
  const listening = useListening()
  const pads = usePads()
  const route = useRoute()
  const toast = useToast()
  const all = useLocalStorage<Record<string, Left>>(key, {})

  const now = computed<[string, Left] | undefined>(() => {
    const id = document.head?.id
    if (!id || route.params.id !== id || id === returning.value) return undefined
    const { point, where, insert, section, loops } = listening
    const [selected, folded] = [document.selectedId ?? null, [...document.folded]]
    return [
      id,
      { path: route.path, selected, act: document.act, folded, point, where, insert, section, loops, pads: pads.open },
    ]
  })

  watchDebounced(
    now,
    (left) => {
      if (!left) return
      const others = Object.entries(all.value).filter(([id]) => id !== left[0])
      all.value = Object.fromEntries([...others.slice(-mostKept + 1), left])
    },
    { debounce: settleMs, deep: true },
  )

  watch(
    () => document.head?.id,
    async (id) => {
      const left = id && id === returning.value ? all.value[id] : undefined
      // What else happens when a document opens is over first.
      await nextTick()
      if (id === returning.value) returning.value = undefined
      if (left) show(left)
    },
    { flush: 'post', immediate: true },
  )

  /** What is gone since then is passed over. */
  function show(left: Left) {
    const isThere = (channel: string | null) => channel === null || document.rows.has(channel)
    if (document.head?.acts.some((a) => a.id === left.act)) document.act = left.act
    document.folded.clear()
    left.folded.filter(isThere).forEach((channel) => document.folded.add(channel))
    if (left.selected && isThere(left.selected)) document.choose(left.selected)
    if (isThere(left.point)) listening.listenTo(left.point, left.where, left.insert)
    listening.section = document.head?.timeline.sections.some((s) => s.id === left.section) ? left.section : null
    listening.loops = left.loops
    pads.open = left.pads
    const name = document.head?.name
    const note = document.head?.note
    // Where nothing is chosen in the running order, the panel beside it has the note.
    if (note && (left.selected || left.path !== `/templates/${document.head?.id}`))
      toast.add({ group: 'told', severity: 'secondary', summary: `${name}: prompt note`, detail: note, life: noteMs })
  }
}
