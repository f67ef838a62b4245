import { api, asked } from '@/api/client'
import type { Channel, ChannelKind, Edit } from '@/api/types'
import type { components } from '@/api/schema'

export type Change = components['schemas']['ChangeView']

export function whole(id: string) {
  return asked(api.GET('/api/documents/{id}', { params: { path: { id } } }))
}

export function editsOf(id: string, revision: number, edits: Edit[]): Promise<Change> {
  return asked(api.POST('/api/documents/{id}/edits', { params: { path: { id } }, body: { revision, edits } }))
}

export function stepOf(id: string, revision: number, way: 'undo' | 'redo'): Promise<Change> {
  const ask = { params: { path: { id } }, body: { revision } }
  return asked(way === 'undo' ? api.POST('/api/documents/{id}/undo', ask) : api.POST('/api/documents/{id}/redo', ask))
}

export function returnTo(id: string, revision: number, to: number): Promise<Change> {
  return asked(api.POST('/api/documents/{id}/return', { params: { path: { id } }, body: { revision, to } }))
}

export function changesSince(id: string, since: number): Promise<Change> {
  return asked(api.GET('/api/documents/{id}/changes', { params: { path: { id }, query: { since } } }))
}

/** Where a new channel would go. */
export interface NewPlace {
  /** The sum that it would feed; null for what feeds none. */
  under: string | null
  /** What has to be made for that first. */
  first: Channel[]
  /** What it would stand before there; null for the end. */
  before: string | null
}

/** Where new channels of these names would go. */
export function newPlaceOf(id: string, kind: ChannelKind, chosen: string | undefined, name: string[]) {
  const ask = { params: { path: { id }, query: { kind, chosen, name } } }
  return asked(api.GET('/api/documents/{id}/new-place', ask)) as unknown as Promise<NewPlace>
}

export function previewOf(id: string, act: string, edits: Edit[]) {
  return asked(api.POST('/api/documents/{id}/preview', { params: { path: { id } }, body: { act, edits } }))
}

export function revisionsOf(id: string, before?: number) {
  return asked(api.GET('/api/documents/{id}/revisions', { params: { path: { id }, query: { before, count: 50 } } }))
}

export function differenceOf(id: string, from: number, to: number) {
  return asked(api.GET('/api/documents/{id}/difference', { params: { path: { id }, query: { from, to } } }))
}

export function nameRevision(id: string, number: number, name: string | null) {
  return asked(
    api.PUT('/api/documents/{id}/revisions/{number}/name', { params: { path: { id, number } }, body: { name } }),
  )
}
