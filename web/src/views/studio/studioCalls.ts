import { api, asked, upload } from '@/api/client'
import type { FoundDevices } from '@/api/types'
import { unknownWeight } from '@/state/devices'

/** Adds what was found to a studio. @returns how many of them it had never heard of */
export async function addTo(studio: string, found: FoundDevices['devices']): Promise<number> {
  const body = found.map(({ device, standIn, isHere }) => ({
    device,
    standIn,
    isHere,
    latency: null,
    weight: unknownWeight(),
  }))
  return (await asked(api.POST('/api/studios/{id}/devices', { params: { path: { id: studio } }, body }))).fresh
}

export const lookInFolder = (folder: string) => asked(api.POST('/api/studios/devices/found', { body: { folder } }))

export const bringTable = (file: File) => upload<FoundDevices>('/api/studios/devices/table', file)

/** The devices of a document, each once. */
export async function heldBy(id: string): Promise<FoundDevices['devices']> {
  const held = await asked(api.GET('/api/documents/{id}/devices', { params: { path: { id } } }))
  return held.map((device) => ({ ...device, isHere: true }))
}
