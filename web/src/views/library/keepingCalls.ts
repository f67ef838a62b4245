import { api, asked } from '@/api/client'
import type { DocumentKind, RemovedThing } from '@/api/types'

/** Takes a template or song out of its list; it can come back for thirty days. */
export function remove(kind: DocumentKind, id: string) {
  const at = { params: { path: { id } } }
  return asked(kind === 'song' ? api.DELETE('/api/songs/{id}', at) : api.DELETE('/api/templates/{id}', at))
}

export function removeSound(content: string) {
  return asked(api.DELETE('/api/media/{content}', { params: { path: { content } } }))
}

export function bringBack(thing: Pick<RemovedThing, 'kind' | 'id'>) {
  return asked(api.POST('/api/removed/back', { body: { kind: thing.kind, id: thing.id } }))
}

/** Makes a new document of what can still be read of a damaged one. */
export function recover(kind: DocumentKind, id: string) {
  const at = { params: { path: { id } } }
  return asked(
    kind === 'song' ? api.POST('/api/songs/{id}/recovered', at) : api.POST('/api/templates/{id}/recovered', at),
  )
}

export const dayOf = (utc: string) =>
  new Date(utc).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
