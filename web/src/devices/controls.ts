import type { DeviceControl, OutsideDevice, Parameter } from '@/api/types'
import { unitSymbol } from '@/parts/units'

const steps = 100

/** The named controls of a device as the fields of any processor. */
export function controlsOf(device: OutsideDevice | null | undefined): (Parameter & { note?: string })[] {
  return (device?.controls ?? []).map((c) => ({
    id: `device.${c.id}`,
    name: c.name,
    unit: c.unit,
    symbol: unitSymbol(c.unit),
    min: c.min,
    max: c.max,
    step: c.unit === 'switch' || c.unit === 'choice' ? 1 : (c.max - c.min) / steps,
    default: c.default,
    options: c.options ?? [],
    needs: null,
    standsStill: null,
    note: c.note,
  }))
}

const freshId = /^control-\d+$/
const longestId = 36

/** Controls as they are kept: one that bears a name for the first time takes its id from it. */
export function namedControls(controls: DeviceControl[]): DeviceControl[] {
  const taken = new Set(controls.map((c) => c.id).filter((id) => !freshId.test(id)))
  return controls.map((control) => {
    const name = control.name.trim()
    if (!freshId.test(control.id)) return { ...control, name }
    const id = slug(name)
    if (!id || taken.has(id)) return { ...control, name }
    taken.add(id)
    return { ...control, name, id }
  })
}

function slug(name: string) {
  const plain = name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
  return plain.slice(0, longestId).replace(/^-+|-+$/g, '')
}
