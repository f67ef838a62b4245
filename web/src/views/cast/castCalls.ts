import { api, asked } from '@/api/client'
import type { Brief, BriefQuestions, CastList, CastSet, CastStage } from '@/api/types'

export interface CastAsk {
  text: string
  /** The list as it was read, before somebody changed it. */
  was: string | null
  /** Of the caret, from 0. */
  line: number | null
  column: number | null
  /** Whether what the soundcheck would find wrong is mended at once. */
  sound: boolean
}

/** The template as a list, and an example of one. */
export const castOf = (id: string): Promise<CastList> =>
  asked(api.GET('/api/documents/{id}/cast', { params: { path: { id } } }))

/** What a list would make, without making it. */
export const castStage = (id: string, body: CastAsk) =>
  asked(
    api.POST('/api/documents/{id}/cast/preview', { params: { path: { id } }, body }),
  ) as unknown as Promise<CastStage>

/** The edits that set the stage, with the duckers solved. */
export const castSet = (id: string, body: CastAsk) =>
  asked(api.POST('/api/documents/{id}/cast', { params: { path: { id } }, body })) as unknown as Promise<CastSet>

export const briefQuestions = (): Promise<BriefQuestions> => asked(api.GET('/api/brief'))

/** The list that the answers come to. */
export const briefList = (body: Brief) => asked(api.POST('/api/brief', { body }))
