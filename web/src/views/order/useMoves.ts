import type { Tree } from './useTree'
import type { ChannelRow } from '@/api/types'
import { useDocument } from '@/state/document'

export type Side = 'before' | 'after' | 'under'

/** Moving a row is re-routing it: the ways by keys and by drag become the same edit. */
export function useMoves(tree: Tree) {
  const document = useDocument()

  function send(row: ChannelRow, destination: string | null, before: string | null) {
    return document.edit([{ type: 'move-channel', channel: row.channel.id, destination, before }], row.channel.id)
  }

  function place(row: ChannelRow, side: Side, target: ChannelRow) {
    if (row === target) return undefined
    if (side === 'under') return send(row, target.channel.id, null)
    const beside = tree.siblings(target)
    const next = side === 'before' ? target : beside[beside.indexOf(target) + 1]
    if (next === row) return undefined
    return send(row, target.channel.destination, next?.channel.id ?? null)
  }

  function up(row: ChannelRow) {
    const beside = tree.siblings(row)
    const above = beside[beside.indexOf(row) - 1]
    return above && place(row, 'before', above)
  }

  function down(row: ChannelRow) {
    const beside = tree.siblings(row)
    const below = beside[beside.indexOf(row) + 1]
    return below && place(row, 'after', below)
  }

  /** Under the nearest bus that stands above it among its neighbours. */
  function into(row: ChannelRow) {
    const beside = tree.siblings(row)
    const bus = beside
      .slice(0, beside.indexOf(row))
      .reverse()
      .find((r) => document.can(r).sums)
    return bus && place(row, 'under', bus)
  }

  function out(row: ChannelRow) {
    const parent = tree.parentOf(row)
    return parent?.channel.destination ? place(row, 'after', parent) : undefined
  }

  return { place, up, down, into, out }
}
