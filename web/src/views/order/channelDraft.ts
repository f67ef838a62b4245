import type { Channel, ChannelKind, Insert, NewChannel, Source } from '@/api/types'

/** What may be made by hand; a template has one main from the start. */
export const kindChoices: { kind: ChannelKind; text: string; mono?: boolean }[] = [
  { kind: 'instrument', text: 'Instrument' },
  { kind: 'audio', text: 'Audio input', mono: true },
  { kind: 'split', text: 'Split of a kit' },
  { kind: 'bus', text: 'Bus' },
  { kind: 'return', text: 'Return' },
  { kind: 'trigger', text: 'Trigger, never heard', mono: true },
  { kind: 'direct', text: 'Direct, around the main' },
  { kind: 'notes', text: 'Notes only' },
]

/** An id that people may meet in a document: from the name, and unlike the others. */
export function freshId(name: string, taken: (id: string) => boolean): string {
  const plain = name
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 36)
    .replace(/-+$/, '')
  const base = plain || 'channel'
  if (!taken(base)) return base
  for (let n = 2; ; n++) if (!taken(`${base}-${n}`)) return `${base}-${n}`
}

/** A channel with what must be said; the rest is at its defaults. */
export function draft(
  id: string,
  name: string,
  kind: ChannelKind,
  destination: string | null,
  source: Source | null,
): NewChannel {
  return {
    id,
    name,
    kind,
    format: kindChoices.find((c) => c.kind === kind)?.mono ? 'mono' : 'stereo',
    source,
    destination,
    outputPair: kind === 'direct' ? 1 : null,
  }
}

/** A processor at its defaults, under an id that the channel's strip does not have. */
export function newInsert(channel: Channel, processor: string): Insert {
  const id = freshId(processor, (taken) => channel.inserts.some((i) => i.id === taken))
  return { id, processor, settings: {}, parkedIn: [], key: null, trigger: null, waitsFor: null }
}
