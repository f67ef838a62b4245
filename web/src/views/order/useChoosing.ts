import { computed, nextTick, type Ref } from 'vue'
import type { Tree } from './useTree'
import type { ChannelRow } from '@/api/types'
import { useDocument } from '@/state/document'

/** Which rows are chosen, by mouse and by keys, and where the focus is. */
export function useChoosing(tree: Tree, grid: Ref<HTMLElement | null>, reveal: (index: number) => Promise<void>) {
  const document = useDocument()
  let anchor: string | undefined
  let pointing = false

  const indexOf = (id?: string) => tree.shown.value.findIndex((r) => r.channel.id === id)
  const focusable = computed(() =>
    indexOf(document.selectedId) >= 0 ? document.selectedId : tree.shown.value[0]?.channel.id,
  )

  async function focus(id: string) {
    await reveal(indexOf(id))
    grid.value?.querySelector<HTMLElement>(`[data-id="${id}"]`)?.focus({ preventScroll: true })
  }

  async function select(row: ChannelRow | undefined, withFocus = false) {
    if (!row) return
    document.choose(row.channel.id)
    anchor = row.channel.id
    if (!withFocus) return
    await nextTick()
    await focus(row.channel.id)
  }

  /** Brings the focus to the chosen row, or to the list where that row is not shown: nothing is chosen anew. */
  async function takeFocus() {
    const isHidden = document.selectedId !== undefined && focusable.value !== document.selectedId
    if (isHidden) grid.value?.focus({ preventScroll: true })
    else if (focusable.value) await focus(focusable.value)
  }

  /** Chooses everything from where the choice began to here. */
  async function extend(row: ChannelRow | undefined, withFocus = false) {
    if (!row) return
    const from = indexOf(anchor ?? document.selectedId)
    const to = indexOf(row.channel.id)
    document.chosen.clear()
    for (const r of tree.shown.value.slice(Math.max(0, Math.min(from, to)), Math.max(from, to) + 1))
      document.chosen.add(r.channel.id)
    document.selectedId = row.channel.id
    if (withFocus) await focus(row.channel.id)
  }

  /** Adds a row to the choice or takes it out. */
  function toggle(row: ChannelRow) {
    const { id } = row.channel
    if (document.chosen.has(id) && document.chosen.size > 1) document.chosen.delete(id)
    else document.chosen.add(id)
    if (!document.chosen.has(document.selectedId ?? '')) document.selectedId = [...document.chosen].at(-1)
    if (document.chosen.has(id)) document.selectedId = anchor = id
  }

  function all() {
    for (const row of tree.shown.value) document.chosen.add(row.channel.id)
    document.selectedId ??= tree.shown.value[0]?.channel.id
  }

  /** The focus that a press brings is not a choice; the click that ends it is. */
  function onDown() {
    pointing = true
  }

  function onClick(event: MouseEvent, row: ChannelRow) {
    pointing = false
    if (event.shiftKey) void extend(row)
    else if (event.ctrlKey || event.metaKey) toggle(row)
    else void select(row)
  }

  function onFocus(row: ChannelRow) {
    if (!pointing && !document.chosen.has(row.channel.id)) void select(row)
  }

  return { focusable, takeFocus, select, extend, toggle, all, onDown, onClick, onFocus }
}

export type Choosing = ReturnType<typeof useChoosing>
