import type { Schemas } from '@/api/types'

const mostNamed = 4

/**
 * What is said of sound that went over full scale; nothing where none did.
 * @param remedy what keeps it, other than to turn it down
 */
export function cutWords(cut: readonly Schemas['CutSound'][] | null | undefined, remedy?: string): string {
  if (!cut?.length) return ''
  const named = cut.slice(0, mostNamed).map((c) => `${c.name} by ${c.byDb.toFixed(1)} dB`)
  const more = cut.length > mostNamed ? ` and ${cut.length - mostNamed} more` : ''
  return ` Over full scale, and cut there: ${named.join(', ')}${more}. Turn ${cut.length === 1 ? 'it' : 'them'} down${remedy ? `, or ${remedy}` : ''}.`
}
