import { api, asked } from '@/api/client'
import type { DocumentKind, KitSwap, LineRow, LineSource, OutputsView } from '@/api/types'

/** The outputs of one instrument as they are, and every plan for them. */
export function outputsOf(kind: DocumentKind, id: string, channel: string, act: string, halves: boolean) {
  const ask = { params: { path: { id, channel }, query: { act, halves } } }
  return asked(
    kind === 'song'
      ? api.GET('/api/songs/{id}/outputs/{channel}', ask)
      : api.GET('/api/templates/{id}/outputs/{channel}', ask),
  ) as Promise<OutputsView>
}

/** Another kit on the splits that are there, as edits and what they come to. */
export function swapOf(kind: DocumentKind, id: string, channel: string, instrument: string) {
  const ask = { params: { path: { id } }, body: { channel, instrument } }
  return asked(
    kind === 'song' ? api.POST('/api/songs/{id}/kit-swaps', ask) : api.POST('/api/templates/{id}/kit-swaps', ask),
  ) as Promise<KitSwap>
}

/** Everything that the line check can fire in an act. */
export function sourcesOf(kind: DocumentKind, id: string, act: string) {
  const ask = { params: { path: { id }, query: { act } } }
  return asked(
    kind === 'song' ? api.GET('/api/songs/{id}/line-check', ask) : api.GET('/api/templates/{id}/line-check', ask),
  ) as unknown as Promise<LineSource[]>
}

/** One source alone through the whole graph. */
export function fired(kind: DocumentKind, id: string, act: string, source: LineSource) {
  const ask = { params: { path: { id } }, body: { act, channel: source.channel, note: source.note } }
  return asked(
    kind === 'song' ? api.POST('/api/songs/{id}/line-check', ask) : api.POST('/api/templates/{id}/line-check', ask),
  ) as unknown as Promise<LineRow>
}
