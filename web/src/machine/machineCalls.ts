import { api, asked } from '@/api/client'
import type { Machine, MachineWish } from '@/api/types'

/**
 * What would come of a machine of one's own.
 * @param machine one of the shelf, whose jacks it is to have
 */
export function machineOf(id: string, wish: MachineWish, machine?: string) {
  const ask = { params: { path: { id }, query: { machine } }, body: wish }
  return asked(api.POST('/api/documents/{id}/machines', ask)) as unknown as Promise<Machine>
}
