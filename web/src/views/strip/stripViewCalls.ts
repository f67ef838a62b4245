import { api, asked } from '@/api/client'
import type { InsertResponse } from '@/api/types'

/**
 * What an insert does over frequency and level.
 * @param settings in place of those that are stored, while somebody drags
 */
export function responseOf(id: string, channel: string, insert: string, settings: Record<string, number> | null) {
  const ask = { params: { path: { id } }, body: { channel, insert, settings } }
  return asked(api.POST('/api/documents/{id}/response', ask)) as unknown as Promise<InsertResponse>
}
