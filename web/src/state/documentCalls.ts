import { api, asked } from '@/api/client'
import type { DocumentKind, Edit } from '@/api/types'
import type { components } from '@/api/schema'

export type Change = components['schemas']['ChangeView']

/** Templates and songs are asked alike, at two addresses. */
export function whole(kind: DocumentKind, id: string) {
  const ask = { params: { path: { id } } }
  return asked(kind === 'song' ? api.GET('/api/songs/{id}', ask) : api.GET('/api/templates/{id}', ask))
}

export function editsOf(kind: DocumentKind, id: string, revision: number, edits: Edit[]): Promise<Change> {
  const ask = { params: { path: { id } }, body: { revision, edits } }
  return asked(kind === 'song' ? api.POST('/api/songs/{id}/edits', ask) : api.POST('/api/templates/{id}/edits', ask))
}

export function stepOf(kind: DocumentKind, id: string, revision: number, way: 'undo' | 'redo'): Promise<Change> {
  const ask = { params: { path: { id } }, body: { revision } }
  if (way === 'undo')
    return asked(kind === 'song' ? api.POST('/api/songs/{id}/undo', ask) : api.POST('/api/templates/{id}/undo', ask))
  return asked(kind === 'song' ? api.POST('/api/songs/{id}/redo', ask) : api.POST('/api/templates/{id}/redo', ask))
}

export function returnTo(kind: DocumentKind, id: string, revision: number, to: number): Promise<Change> {
  const ask = { params: { path: { id } }, body: { revision, to } }
  return asked(kind === 'song' ? api.POST('/api/songs/{id}/return', ask) : api.POST('/api/templates/{id}/return', ask))
}

export function changesSince(kind: DocumentKind, id: string, since: number): Promise<Change> {
  const ask = { params: { path: { id }, query: { since } } }
  return asked(kind === 'song' ? api.GET('/api/songs/{id}/changes', ask) : api.GET('/api/templates/{id}/changes', ask))
}

export function previewOf(kind: DocumentKind, id: string, act: string, edits: Edit[]) {
  const ask = { params: { path: { id } }, body: { act, edits } }
  return asked(
    kind === 'song' ? api.POST('/api/songs/{id}/preview', ask) : api.POST('/api/templates/{id}/preview', ask),
  )
}

export function revisionsOf(kind: DocumentKind, id: string, before?: number) {
  const ask = { params: { path: { id }, query: { before, count: 50 } } }
  return asked(
    kind === 'song' ? api.GET('/api/songs/{id}/revisions', ask) : api.GET('/api/templates/{id}/revisions', ask),
  )
}

export function differenceOf(kind: DocumentKind, id: string, from: number, to: number) {
  const ask = { params: { path: { id }, query: { from, to } } }
  return asked(
    kind === 'song' ? api.GET('/api/songs/{id}/difference', ask) : api.GET('/api/templates/{id}/difference', ask),
  )
}

export function nameRevision(kind: DocumentKind, id: string, number: number, name: string | null) {
  const ask = { params: { path: { id, number } }, body: { name } }
  return asked(
    kind === 'song'
      ? api.PUT('/api/songs/{id}/revisions/{number}/name', ask)
      : api.PUT('/api/templates/{id}/revisions/{number}/name', ask),
  )
}
