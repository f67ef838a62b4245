import { api, asked } from '@/api/client'
import type { Returns } from '@/api/types'

/** What the returns make of what is sent to them, against the bars of a section. */
export function returnsOf(id: string, act: string, section: string | null): Promise<Returns> {
  const ask = { params: { path: { id }, query: { act, section: section ?? undefined } } }
  return asked(api.GET('/api/documents/{id}/returns', ask)) as unknown as Promise<Returns>
}
