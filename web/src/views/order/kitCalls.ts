import { api, asked } from '@/api/client'
import type { JackChoice, Kit, SettledKit } from '@/api/types'

/** A kit of a file over the jacks that were chosen, as the batch that puts it in. */
export function settled(id: string, channel: string, kit: Kit, choice: JackChoice) {
  const ask = { params: { path: { id, channel } }, body: { kit, choice } }
  return asked(api.POST('/api/documents/{id}/channels/{channel}/kit-jacks', ask)) as Promise<SettledKit>
}
