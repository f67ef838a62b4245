import { api, asked } from '@/api/client'
import type { LineRow, LineSource } from '@/api/types'

/** Everything that the line check can fire in an act. */
export function sourcesOf(id: string, act: string) {
  const ask = { params: { path: { id }, query: { act } } }
  return asked(api.GET('/api/documents/{id}/line-check', ask)) as unknown as Promise<LineSource[]>
}

/** One source alone through the whole graph. */
export function fired(id: string, act: string, source: LineSource) {
  const ask = { params: { path: { id } }, body: { act, channel: source.channel, note: source.note } }
  return asked(api.POST('/api/documents/{id}/line-check', ask)) as unknown as Promise<LineRow>
}
