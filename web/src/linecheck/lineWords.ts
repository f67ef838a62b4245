import type { LineRow } from '@/api/types'

/** What is wrong with where a source arrived; empty where nothing is. */
export function wrongOf(row: LineRow, nameOf: (channel: string) => string): string {
  const listOf = (channels: readonly string[]) => channels.map(nameOf).join(', ')
  switch (row.verdict) {
    case 'nowhere':
      return 'nobody hears it'
    case 'elsewhere':
      return [`on ${listOf(row.places.filter((p) => !p.expected).map((p) => p.channel))}, where it does not belong`]
        .concat(row.missing.length ? `not on ${listOf(row.missing)}` : [])
        .join('; ')
    case 'too-often':
      return `close on ${row.twice.map(nameOf).join(' and ')}`
    case 'not-everywhere':
      return `not on ${listOf(row.missing)}`
    default:
      return ''
  }
}
