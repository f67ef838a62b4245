import { useToast } from 'primevue/usetoast'
import { useDocument } from './document'
import type { Edit } from '@/api/types'

const lifeMs = 12_000

/** Takes inserts out of a strip, and says whose feeds went with them. */
export function useTakeOut() {
  const document = useDocument()
  const toast = useToast()

  return async (channel: string, inserts: readonly string[], also: readonly Edit[] = []) => {
    const feeding = document.ordered
      .filter((r) => r.channel.feeds.some((f) => f.channel === channel && inserts.includes(f.insert as string)))
      .map((r) => r.channel.name)
    const taken = inserts.map((insert) => ({ type: 'remove-insert' as const, channel, insert }))
    if (!(await document.edit([...taken, ...also], channel)) || feeding.length === 0) return
    toast.add({
      group: 'told',
      severity: 'info',
      summary: `${feeding.join(', ')} ${feeding.length === 1 ? 'feeds' : 'feed'} it no more`,
      detail: 'What fed the insert went with it. Undo brings both back.',
      life: lifeMs,
    })
  }
}
