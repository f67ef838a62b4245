import { api, asked } from '@/api/client'
import type { RemovedThing } from '@/api/types'

/** Takes a template or song out of its list; it can come back for thirty days. */
export function remove(id: string) {
  return asked(api.DELETE('/api/documents/{id}', { params: { path: { id } } }))
}

export function removeSound(content: string) {
  return asked(api.DELETE('/api/media/{content}', { params: { path: { content } } }))
}

export function bringBack(thing: Pick<RemovedThing, 'kind' | 'id'>) {
  return asked(api.POST('/api/removed/back', { body: { kind: thing.kind, id: thing.id } }))
}

/** Makes a new document of what can still be read of a damaged one. */
export function recover(id: string) {
  return asked(api.POST('/api/documents/{id}/recovered', { params: { path: { id } } }))
}

export const dayOf = (utc: string) =>
  new Date(utc).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })

/** Without the year where it is this one. */
export const shortDayOf = (utc: string) =>
  new Date(utc).getFullYear() === new Date().getFullYear()
    ? new Date(utc).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
    : dayOf(utc)
