import { useCopied } from './copied'
import { rowShortcuts, type RowAct } from './orderKeymap'
import { renaming } from './renaming'
import type { Choosing } from './useChoosing'
import { useManyEdits } from './useManyEdits'
import type { useMoves } from './useMoves'
import type { Tree } from './useTree'
import type { ChannelRow } from '@/api/types'
import { actOf } from '@/parts/keymap'
import { useDocument } from '@/state/document'
import { useListening } from '@/state/listening'
import { useTurns } from '@/state/useTurns'

const page = 15

/** Everything that the running order does to its rows by keys. */
export function useTreeKeys(tree: Tree, choosing: Choosing, moves: ReturnType<typeof useMoves>) {
  const document = useDocument()
  const listening = useListening()
  const many = useManyEdits()
  const turns = useTurns()
  const copied = useCopied()

  async function follow(row: ChannelRow, move: Promise<boolean> | undefined) {
    await move
    await choosing.select(document.rows.get(row.channel.id), true)
  }

  /** What is chosen once a row has gone: the next one that stands beside it, else the one before, else what they feed. */
  function heirOf(row: ChannelRow, at: number, shown: ChannelRow[]) {
    const goes = ({ channel: { id, source } }: ChannelRow) =>
      document.chosen.has(id) || (source?.type === 'output' && document.chosen.has(source.instrument as string))
    const isBeside = (r: ChannelRow) => r.channel.destination === row.channel.destination && !goes(r)
    return shown.slice(at + 1).find(isBeside) ?? shown.slice(0, at).findLast(isBeside) ?? tree.parentOf(row)
  }

  async function remove(next?: ChannelRow) {
    if (await many.remove()) await choosing.select(next && document.rows.get(next.channel.id), true)
  }

  async function made(work: Promise<unknown>) {
    await work
    await choosing.select(document.selected, true)
  }

  function actsOn(row: ChannelRow, at: number, shown: ChannelRow[]): Record<RowAct, () => unknown> {
    const { id } = row.channel
    const isFolded = document.folded.has(id)
    const to = (index: number) => choosing.select(shown[Math.min(Math.max(index, 0), shown.length - 1)], true)
    return {
      'above': () => choosing.select(shown[at - 1], true),
      'below': () => choosing.select(shown[at + 1], true),
      'close': () => (row.feeders && !isFolded ? tree.fold(id, true) : choosing.select(tree.parentOf(row), true)),
      'unfold': () => (isFolded ? tree.fold(id, false) : choosing.select(row.feeders ? shown[at + 1] : undefined, true)),
      'far-above': () => to(at - page),
      'far-below': () => to(at + page),
      'first': () => to(0),
      'last': () => to(Infinity),
      'earlier': () => follow(row, moves.up(row)),
      'later': () => follow(row, moves.down(row)),
      'into': () => follow(row, moves.into(row)),
      'out': () => follow(row, moves.out(row)),
      'more-above': () => choosing.extend(shown[at - 1], true),
      'more-below': () => choosing.extend(shown[at + 1], true),
      'all-above': () => choosing.extend(shown[0], true),
      'all-below': () => choosing.extend(shown.at(-1), true),
      'all': () => choosing.all(),
      'one-more': () => choosing.toggle(row),
      'one': () => choosing.select(row, true),
      'rename': () => (renaming.value = id),
      'bus-around': () => many.busAround(),
      'duplicate': () => made(many.duplicate()),
      'duplicate-alone': () => made(many.duplicate(true)),
      'copy': () => void copied.take(row),
      'paste': () => copied.ask(),
      'mute': () => turns.mute(many.ids.value),
      'listen': () => (listening.point = listening.point === id || document.can(row).standsOnce ? null : id),
      'remove': () => remove(heirOf(row, at, shown)),
    } // prettier-ignore
  }

  function onKey(event: KeyboardEvent) {
    const target = event.target as HTMLElement
    const shown = tree.shown.value
    const at = shown.findIndex((r) => r.channel.id === choosing.focusable.value)
    const row = shown[at]
    if (!row || /^(INPUT|BUTTON)$/.test(target.tagName)) return
    const act = actOf(rowShortcuts, event)
    if (!act) return
    event.preventDefault()
    // The place's own keys, such as Space, are not meant as well.
    event.stopPropagation()
    void actsOn(row, at, shown)[act]()
  }

  return { onKey, follow }
}
