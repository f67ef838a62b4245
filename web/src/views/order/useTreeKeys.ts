import type { Ref } from 'vue'
import type { Choosing } from './useChoosing'
import { useManyEdits } from './useManyEdits'
import type { useMoves } from './useMoves'
import type { Tree } from './useTree'
import type { ChannelRow } from '@/api/types'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'

/** Everything that the running order does by keys. */
export function useTreeKeys(
  tree: Tree,
  choosing: Choosing,
  moves: ReturnType<typeof useMoves>,
  renaming: Ref<string | undefined>,
) {
  const document = useDocument()
  const listening = useListening()
  const many = useManyEdits()

  async function follow(row: ChannelRow, move: Promise<boolean> | undefined) {
    await move
    await choosing.select(document.rows.get(row.channel.id), true)
  }

  async function remove(next?: ChannelRow) {
    if (await many.remove()) await choosing.select(next && document.rows.get(next.channel.id), true)
  }

  async function made(work: Promise<unknown>) {
    await work
    await choosing.select(document.selected, true)
  }

  function plain(row: ChannelRow, at: number, shown: ChannelRow[]): Record<string, () => unknown> {
    const { id } = row.channel
    const isFolded = document.folded.has(id)
    const muted = !row.channel.muted
    return {
      ArrowUp: () => choosing.select(shown[at - 1], true),
      ArrowDown: () => choosing.select(shown[at + 1], true),
      ArrowLeft: () => (row.feeders && !isFolded ? tree.fold(id, true) : choosing.select(tree.parentOf(row), true)),
      ArrowRight: () => (isFolded ? tree.fold(id, false) : choosing.select(row.feeders ? shown[at + 1] : undefined, true)),
      PageUp: () => choosing.select(shown[Math.max(0, at - 15)], true),
      PageDown: () => choosing.select(shown[Math.min(shown.length - 1, at + 15)], true),
      Home: () => choosing.select(shown[0], true),
      End: () => choosing.select(shown.at(-1), true),
      Enter: () => (renaming.value = id),
      F2: () => (renaming.value = id),
      m: () => many.each(({ channel }) => ({ type: 'set-mute', channel: channel.id, muted })),
      l: () => (listening.point = listening.point === id || row.channel.kind === 'main' ? null : id),
      b: () => made(many.busAround()),
      d: () => made(many.duplicate()),
      Delete: () => remove(shown.slice(at + 1).find((r) => !document.chosen.has(r.channel.id)) ?? shown[at - 1]),
      Escape: () => choosing.select(row, true),
    } // prettier-ignore
  }

  function onKey(event: KeyboardEvent) {
    const target = event.target as HTMLElement
    const shown = tree.shown.value
    const at = shown.findIndex((r) => r.channel.id === choosing.focusable.value)
    const row = shown[at]
    if (!row || /^(INPUT|BUTTON)$/.test(target.tagName)) return
    const control = event.ctrlKey || event.metaKey
    const moved: Record<string, () => unknown> = {
      ArrowUp: () => follow(row, moves.up(row)),
      ArrowDown: () => follow(row, moves.down(row)),
      ArrowLeft: () => follow(row, moves.out(row)),
      ArrowRight: () => follow(row, moves.into(row)),
    }
    const extended: Record<string, () => unknown> = {
      ArrowUp: () => choosing.extend(shown[at - 1], true),
      ArrowDown: () => choosing.extend(shown[at + 1], true),
      Home: () => choosing.extend(shown[0], true),
      End: () => choosing.extend(shown.at(-1), true),
    }
    const keys = control
      ? { a: () => choosing.all(), ' ': () => choosing.toggle(row) }
      : event.altKey
        ? moved
        : event.shiftKey
          ? extended
          : plain(row, at, shown)
    const does = (keys as Record<string, (() => unknown) | undefined>)[event.key]
    if (!does) return
    event.preventDefault()
    // The window's own keys, such as Space, are not meant as well.
    event.stopPropagation()
    void does()
  }

  return { onKey, follow }
}
