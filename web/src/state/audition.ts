import { refusalOf } from '@/api/client'
import type { components } from '@/api/schema'

/** One note alone through its path, as a WAVE file. */
export async function fetchAudition(asked: components['schemas']['NewAudition']): Promise<ArrayBuffer> {
  const answer = await fetch('/api/auditions', {
    method: 'POST',
    body: JSON.stringify(asked),
    headers: { 'content-type': 'application/json' },
  })
  if (!answer.ok) throw refusalOf(await answer.json().catch(() => undefined))
  return answer.arrayBuffer()
}
