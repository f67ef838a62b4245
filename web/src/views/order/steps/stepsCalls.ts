import { api, asked } from '@/api/client'
import type { Steps } from '@/api/types'

/** What a rhythm that is set by steps stands on, in the meter of a section or of the first. */
export function stepsOf(id: string, channel: string, section: string | null): Promise<Steps> {
  const ask = { params: { path: { id, channel }, query: { section: section ?? undefined } } }
  return asked(api.GET('/api/documents/{id}/channels/{channel}/steps', ask)) as unknown as Promise<Steps>
}
