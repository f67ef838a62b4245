import type { LineRow } from '@/api/types'

/** What is wrong with where a source arrived; empty where nothing is. */
export function wrongOf(row: LineRow, nameOf: (channel: string) => string): string {
  switch (row.verdict) {
    case 'nowhere':
      return 'nobody hears it'
    case 'elsewhere':
      return `also on ${row.places
        .filter((p) => !p.expected)
        .map((p) => nameOf(p.channel))
        .join(', ')}`
    case 'too-often':
      return `close on ${row.twice.map(nameOf).join(' and ')}`
    case 'not-everywhere':
      return `not on ${row.missing.map(nameOf).join(', ')}`
    default:
      return ''
  }
}
