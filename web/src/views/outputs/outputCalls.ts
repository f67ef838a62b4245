import { api, asked } from '@/api/client'
import type { Kit, KitElsewhere, KitSwap, NullTest, OutputsView, PlanView, KitDrafts } from '@/api/types'

/** The outputs of one instrument as they are, and every plan for them. */
export function outputsOf(id: string, channel: string, act: string) {
  const ask = { params: { path: { id, channel }, query: { act } } }
  return asked(api.GET('/api/documents/{id}/outputs/{channel}', ask)) as Promise<OutputsView>
}

/** What a kit is given more of, as it begins. */
export function draftsOf(id: string, channel: string) {
  const ask = { params: { path: { id, channel } } }
  return asked(api.GET('/api/documents/{id}/outputs/{channel}/drafts', ask)) as Promise<KitDrafts>
}

/** Which kit to swap to: the catalogue's, the shelf's, another template's, or a file's. */
export interface SwapChoice {
  instrument?: string
  item?: string
  other?: { document: string; channel: string }
  kit?: Kit
}

/** Another kit on the splits that are there, as edits and what they come to.
 * @param inPlaceOf by piece the one that it stands in for; null for none */
export function swapOf(id: string, channel: string, choice: SwapChoice, inPlaceOf: Record<string, string | null>) {
  // The description of the API cannot say that a value of a map may be null.
  const chosen = inPlaceOf as Record<string, string>
  const none = { instrument: null, item: null, other: null, kit: null }
  const ask = { params: { path: { id } }, body: { channel, ...none, ...choice, inPlaceOf: chosen } }
  return asked(api.POST('/api/documents/{id}/kit-swaps', ask)) as Promise<KitSwap>
}

/** Kits that other templates hold. */
export function kitsElsewhere(id: string) {
  return asked(api.GET('/api/documents/{id}/kits-elsewhere', { params: { path: { id } } })) as Promise<KitElsewhere[]>
}

/** What a plan does to the sound: every piece struck in turn, before and after. */
export function nullTestOf(id: string, channel: string, act: string, edits: PlanView['edits']) {
  const ask = { params: { path: { id, channel } }, body: { act, edits } }
  return asked(api.POST('/api/documents/{id}/outputs/{channel}/null-test', ask)) as Promise<NullTest>
}
