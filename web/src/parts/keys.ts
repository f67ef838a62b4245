import type { Catalogue, MusicalKey } from '@/api/types'

type KeyView = Catalogue['keys'][number]

/** The keys of the catalogue as a list to choose from; a choice is worth what {@link choiceOf} makes of its key. */
export function keyChoices(keys: KeyView[]): { text: string; value: string }[] {
  return keys.map(({ key, name }) => ({ text: name, value: choiceOf(key) }))
}

export function keyFromChoice(value: string): MusicalKey | null {
  return value === '' ? null : { fifths: Number.parseInt(value, 10), minor: value.endsWith('m') }
}

export function choiceOf(key: MusicalKey | null | undefined): string {
  return key ? `${key.fifths}${key.minor ? 'm' : 'M'}` : ''
}
