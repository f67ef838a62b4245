import { api, asked } from '@/api/client'
import type { MovableValue, Movement } from '@/api/types'

/** Everything that moves in a document. */
export function movementOf(id: string): Promise<Movement> {
  return asked(api.GET('/api/documents/{id}/movement', { params: { path: { id } } })) as unknown as Promise<Movement>
}

/** Everything on a channel that could be moved. */
export function movableOn(id: string, channel: string): Promise<MovableValue[]> {
  const ask = { params: { path: { id, channel } } }
  return asked(api.GET('/api/documents/{id}/channels/{channel}/movable', ask)) as unknown as Promise<MovableValue[]>
}
