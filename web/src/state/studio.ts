import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useDevices } from './devices'
import { useDocument } from './document'
import { useFindings } from './findings'
import { useReading } from './useReading'
import { api, asked } from '@/api/client'
import type { MonitoredPath, StudioFit, StudioInside, StudioItem } from '@/api/types'

/** The studios, the one that is on, and how the open document meets it in the act that is on. */
export const useStudio = defineStore('studio', () => {
  const document = useDocument()
  const findings = useFindings()
  const devices = useDevices()
  const items = ref<StudioItem[]>()
  const { answer: fit, again: meet } = useReading({
    also: () => [document.act],
    ask: (id) => {
      const ask = { params: { path: { id }, query: { act: document.act } } }
      return asked(api.GET('/api/documents/{id}/studio', ask)) as unknown as Promise<StudioFit>
    },
  })

  const on = computed(() => items.value?.find((item) => item.isOn))
  const paths = computed(() => new Map(fit.value?.paths.map((path): [string, MonitoredPath] => [path.channel, path])))

  async function look() {
    items.value = (await asked(api.GET('/api/studios'))) as StudioItem[]
  }

  /** Everything that follows from the studio is asked for again. */
  async function changed() {
    await Promise.all([look(), devices.look()])
    findings.lookAgain()
    await meet()
  }

  async function putOn(id: string | null) {
    await asked(api.PUT('/api/studios/on', { body: { id } }))
    await changed()
  }

  /** @returns the studio's id */
  async function save(id: string | undefined, name: string, studio: StudioInside) {
    const body = { name, studio }
    const kept = id
      ? await asked(api.PUT('/api/studios/{id}', { params: { path: { id } }, body }))
      : await asked(api.POST('/api/studios', { body }))
    await changed()
    return kept.id
  }

  void look().catch(() => undefined)

  return { items, on, fit, paths, look, changed, putOn, save }
})
