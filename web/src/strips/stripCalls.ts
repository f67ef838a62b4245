import { api, asked } from '@/api/client'
import type {
  ChannelWish,
  DefaultChange,
  DefaultStripView,
  Edit,
  MusicalKey,
  StripScope,
  StripStanding,
  WaitingInsert,
} from '@/api/types'

/** What new channels of each sort come with. */
export function defaultsOf(id: string): Promise<DefaultStripView[]> {
  return asked(api.GET('/api/documents/{id}/default-strips', { params: { path: { id } } }))
}

/** How a channel stands to its default. */
export function standingOf(id: string, channel: string): Promise<StripStanding> {
  const ask = { params: { path: { id, channel } } }
  return asked(
    api.GET('/api/documents/{id}/channels/{channel}/default-strip', ask),
  ) as unknown as Promise<StripStanding>
}

/**
 * What changing a default comes to.
 * @param channel the one whose strip it shall be; null to forget the default
 */
export function changeOf(id: string, scope: StripScope, channel: string | null): Promise<DefaultChange> {
  const ask = { params: { path: { id } }, body: { scope, channel } }
  return asked(api.POST('/api/documents/{id}/default-strips', ask)) as unknown as Promise<DefaultChange>
}

/** What wished-for channels would come with; those that come with the same stand together. */
export function comesWith(id: string, wishes: readonly ChannelWish[]) {
  const ask = { params: { path: { id } }, body: { wishes: [...wishes] } }
  return asked(api.POST('/api/documents/{id}/channels/made', ask))
}

/** Every insert that waits for something. */
export function waitingIn(id: string): Promise<WaitingInsert[]> {
  return asked(api.GET('/api/documents/{id}/waiting', { params: { path: { id } } })) as unknown as Promise<
    WaitingInsert[]
  >
}

/** What it takes that a key, or a person's word, has come. */
export async function cameTo(id: string, key: MusicalKey | null, ready: { channel: string; insert: string }[]) {
  const ask = { params: { path: { id } }, body: { key, ready } }
  return (await asked(api.POST('/api/documents/{id}/waiting', ask))) as unknown as { edits: Edit[]; words: string[] }
}
