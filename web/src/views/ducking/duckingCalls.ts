import { api, asked } from '@/api/client'
import type { Ducker, Ducking, Edit, RoomAsk } from '@/api/types'

/** Tells one ducker from the others. */
export const keyOf = (ducker: Ducker) => `${ducker.channel}/${ducker.insert}`

/** Who gives way to whom in a section, measured. */
export function duckingOf(id: string, act: string, section: string | null): Promise<Ducking> {
  const ask = { params: { path: { id }, query: { act, section: section ?? undefined } } }
  return asked(api.GET('/api/documents/{id}/ducking', ask)) as unknown as Promise<Ducking>
}

/** What it takes that several channels give way to one trigger. */
export function roomFor(id: string, act: string, section: string | null, ask: RoomAsk) {
  const body = { act, section, ask }
  return asked(api.POST('/api/documents/{id}/ducking/room', { params: { path: { id } }, body })) as unknown as Promise<{
    edits: Edit[]
    words: string[]
    limits: string[]
  }>
}

/** What it takes that one ducker does what is asked. */
export function solved(
  id: string,
  act: string,
  section: string | null,
  of: { channel: string; insert: string },
  ask: { depthDb: number; backQuarters: number; stayMs: number; soft: boolean },
) {
  const body = { act, section, ...of, ...ask }
  return asked(
    api.POST('/api/documents/{id}/ducking/solve', { params: { path: { id } }, body }),
  ) as unknown as Promise<{
    edits: Edit[]
    limit: string | null
  }>
}
