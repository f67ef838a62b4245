import { api, asked } from '@/api/client'
import type { Returns } from '@/api/types'

/** What the returns make of what is sent to them, against the bars of a section. */
export function returnsOf(id: string, act: string, section: string | null): Promise<Returns> {
  const ask = { params: { path: { id }, query: { act, section: section ?? undefined } } }
  return asked(api.GET('/api/documents/{id}/returns', ask)) as unknown as Promise<Returns>
}

/** Whose sends would come back to themselves, by what they would send to. */
export async function loopsOf(id: string): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
  const found = (await asked(api.GET('/api/documents/{id}/sends/loops', { params: { path: { id } } }))) as unknown as {
    to: string
    from: string[]
  }[]
  return new Map(found.map((f) => [f.to, new Set(f.from)]))
}
