import { api, asked } from '@/api/client'
import type { Edit, ParentView, Reviews } from '@/api/types'

/** What a template is based on, with what changed there since it was looked through last. */
export const parentOf = (id: string): Promise<ParentView> =>
  asked(api.GET('/api/documents/{id}/parent', { params: { path: { id } } })) as unknown as Promise<ParentView>

/** The edits that take some of the changes over; the others are not offered again. */
export async function taking(id: string, revision: number, chosen: number[]): Promise<Edit[]> {
  const ask = { params: { path: { id } }, body: { revision, chosen } }
  return (await asked(api.POST('/api/documents/{id}/parent', ask))).edits as Edit[]
}

/** What the songs of a template say about it. */
export const reviewsOf = (id: string): Promise<Reviews> =>
  asked(api.GET('/api/templates/{id}/reviews', { params: { path: { id } } })) as unknown as Promise<Reviews>
