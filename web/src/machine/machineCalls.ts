import { api, asked } from '@/api/client'
import type { Machine, MachineWish } from '@/api/types'

/** What would come of a machine of one's own. */
export function machineOf(id: string, wish: MachineWish) {
  const ask = { params: { path: { id } }, body: wish }
  return asked(api.POST('/api/documents/{id}/machines', ask)) as unknown as Promise<Machine>
}
