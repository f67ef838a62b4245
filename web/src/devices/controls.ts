import type { OutsideDevice, Parameter } from '@/api/types'
import { unitSymbol } from '@/parts/units'

const steps = 100

/** The named controls of a device as the fields of any processor. */
export function controlsOf(device: OutsideDevice | null | undefined): Parameter[] {
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
  }))
}
