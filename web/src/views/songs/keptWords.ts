import type { Song } from '@/api/types'

type Kind = Song['kept'][number]['kind']

const words: Record<Kind, [one: string, many: string]> = {
  notes: ['starter', 'starters'],
  sound: ['sound', 'sounds'],
  print: ['print', 'prints'],
}

/** What a song has of its own, counted: "2 starters, 1 print"; empty for nothing. */
export function keptWords(kept: Song['kept']): string {
  const counts = Object.entries(words).map(([kind, [one, many]]) => {
    const count = kept.filter((k) => k.kind === kind).length
    return count && `${count} ${count === 1 ? one : many}`
  })
  return counts.filter(Boolean).join(', ')
}
