import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, asked, upload } from '@/api/client'
import type { DeviceState, DeviceSwap, KnownDevice, OutsideDevice } from '@/api/types'

/** The devices that the studio that is on, or the shelf, knows. */
export const useDevices = defineStore('devices', () => {
  const known = ref<KnownDevice[]>([])
  const instruments = computed(() => known.value.filter((d) => d.isInstrument))
  const byKey = computed(() => new Map(known.value.map((d) => [d.key, d])))
  const inserts = computed(() => known.value.filter((d) => !d.isInstrument))

  async function look() {
    known.value = (await asked(api.GET('/api/devices'))) as KnownDevice[]
  }

  /** What putting a device in the place of what is there takes, and what it leaves. */
  const swap = (document: string, channel: string, insert: string | null, device: OutsideDevice) =>
    asked(
      api.POST('/api/documents/{id}/device-swap', {
        params: { path: { id: document } },
        body: { channel, insert, device },
      }),
    ) as unknown as Promise<DeviceSwap>

  /** Keeps a file that the device knows how to read. */
  const keepState = (file: File) =>
    upload<DeviceState>(`/api/device-states?name=${encodeURIComponent(file.name)}`, file)

  return { known, byKey, instruments, inserts, look, swap, keepState }
})

/** Nobody has said what it costs. */
export const unknownWeight = () => ({ sharePercent: null, memoryMegabytes: null, loadSeconds: null })

/** A device of which nothing is known but its name. */
export function nameless(): OutsideDevice {
  return {
    name: '', maker: '', format: '', deviceId: '', preset: '', outputs: [], key: 'none', latency: null,
    weight: unknownWeight(), state: null, controls: [],
  } // prettier-ignore
}
