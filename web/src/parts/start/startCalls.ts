import { api, asked } from '@/api/client'
import type { CountIn, Meter, MusicalKey, WaitingInsert } from '@/api/types'

/** A channel that waits for an input, or whose input the studio gives elsewhere or has not. */
export interface InputToSay {
  channel: string
  name: string
  isWide: boolean
  /** The input that the template names, in words; null for none. */
  was: string | null
  /** What it takes here unless somebody says otherwise, in words; null for none. */
  here: string | null
  first: number | null
  note: string | null
}

/** What is to be said when a song is started from a template. */
export interface StartAsks {
  tempoBpm: number
  meter: Meter
  key: MusicalKey | null
  /** In one line: "Intro 4, Verse 8". */
  sections: string
  waiting: WaitingInsert[]
  inputs: InputToSay[]
  prints: { channel: string; name: string; prints: string[] }[]
  /** The inputs of the studio that is on, by number. */
  studioInputs: string[]
  /** Null where nothing is counted. */
  countIn: CountIn | null
}

/** What is said of it. */
export interface SongSaid {
  title: string
  tempoBpm: number
  meter: Meter
  key: MusicalKey | null
  sections: string
  countIn: CountIn
  ready: { channel: string; insert: string }[]
  inputs: { channel: string; first: number }[]
  withoutPrints: string[]
}

export const asksOf = (template: string) =>
  asked(api.GET('/api/templates/{id}/start', { params: { path: { id: template } } })) as unknown as Promise<StartAsks>

/** @returns the song's id */
export async function startSong(template: string, said: SongSaid) {
  return (await asked(api.POST('/api/songs', { body: { templateId: template, ...said } }))).id
}
