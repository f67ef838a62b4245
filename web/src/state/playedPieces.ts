import type { ChannelRow } from '@/api/types'

/** A piece of a kit by the note that strikes it; none for an instrument without a kit. */
export function piecesOf(row: ChannelRow | undefined): { note: number; name: string }[] {
  const source = row?.channel.source
  if (source?.type !== 'instrument' || !source.kit) return []
  return source.kit.pieces.map(({ note, name }) => ({ note, name }))
}
