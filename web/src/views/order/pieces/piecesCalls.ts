import { api, asked } from '@/api/client'
import type { Edit } from '@/api/types'

/** What a piece was joined with where it came from, and with what it is joined here. */
export interface Joint {
  outside: string
  name: string
  words: string
  /** Ids of channels that could be it. */
  choices: string[]
  to: string | null
  comesAlong: boolean
  canComeAlong: boolean
  /** What is lost as it is joined with nothing. */
  missing: string | null
}

/** Said of what comes along with a piece. */
export const along = '*'

/** A piece as it would be put in. */
export interface PutInPlan {
  edits: Edit[]
  /** Id of its first channel. */
  place: string
  left: string[]
  joints: Joint[]
}

/** @param said by what is outside of the piece with which channel it is joined; `along`, or nothing where it is empty */
export async function puttingIn(document: string, item: string, said: Record<string, string>) {
  const ask = {
    params: { path: { id: document, item } },
    body: { onto: null, inPlaceOf: said },
  }
  return (await asked(api.POST('/api/documents/{id}/shelf/{item}', ask))) as unknown as PutInPlan
}

/** What takes a piece out again. */
export async function takingOut(document: string, place: string) {
  const ask = { params: { path: { id: document, place } } }
  return (await asked(api.POST('/api/documents/{id}/pieces/{place}/out', ask))) as unknown as { edits: Edit[] }
}
