import { computed } from 'vue'
import type { Edit } from '@/api/types'
import { useCatalogue } from '@/state/catalogue'
import { useDevices } from '@/state/devices'

/** What can be put into a strip: processors of ours, and the devices that the studio or the shelf knows. */
export function useInsertChoices() {
  const catalogue = useCatalogue()
  const devices = useDevices()
  if (!devices.known.length) void devices.look().catch(() => undefined)

  const all = computed(() => [
    ...catalogue.known.processors.filter((p) => !p.standsInOnly).map((p) => ({ value: p.id, text: p.name })),
    ...devices.inserts.map((d) => ({ value: d.key, text: `${d.device.name}, of yours` })),
  ])

  function making(channel: string, choice: string): Edit {
    const known = devices.byKey.get(choice)
    return known
      ? { type: 'make-insert', channel, processor: known.standIn, place: null, device: known.device }
      : { type: 'make-insert', channel, processor: choice, place: null }
  }

  return { all, making }
}
