import { api, asked, upload } from '@/api/client'
import type { FoundDevices } from '@/api/types'

export const lookInFolder = (folder: string) => asked(api.POST('/api/studios/devices/found', { body: { folder } }))

export const bringTable = (file: File) => upload<FoundDevices>('/api/studios/devices/table', file)

/** The devices of a document, each once. */
export async function heldBy(id: string): Promise<FoundDevices['devices']> {
  const held = await asked(api.GET('/api/documents/{id}/devices', { params: { path: { id } } }))
  return held.map((device) => ({ ...device, isHere: true }))
}
