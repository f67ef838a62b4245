import { useDocument } from './document'
import type { Lever } from '@/api/types'

/** Changes a lever from how it is when the edit's turn comes; one that is gone by then is left alone. */
export function changeLever(id: string, change: (now: Lever) => Partial<Lever>) {
  const document = useDocument()
  return document.edit(() => {
    const now = document.head?.levers.find((l) => l.id === id) as Lever | undefined
    return now ? [{ type: 'put-lever', lever: { ...now, ...change(now) } }] : []
  })
}
