import type { ChannelRow } from '@/api/types'

/** What the running order is narrowed to: empty for nothing, else a kind of filter and its value. */
export type Filter = '' | `${'finding' | 'has' | 'act' | 'kind' | 'family' | 'role'}:${string}`

/** Channels that differ from their default strip. */
export const altered: Filter = 'has:altered'

/** What is known of channels besides their rows. */
export interface Standing {
  /** Channels with a finding. */
  findings: { has: (id: string) => boolean; size: number }
  /** Channels whose default strip was changed by hand. */
  altered: { has: (id: string) => boolean; size: number }
}

export function matches(filter: Filter, row: ChannelRow, act: string, standing: Standing) {
  const [by, value] = filter.split(':')
  if (by === 'finding') return standing.findings.has(row.channel.id)
  if (filter === altered) return standing.altered.has(row.channel.id)
  if (by === 'has') return value === 'note' ? hasNote(row) : waits(row)
  if (by === 'act') return (row.channel.stages[act] ?? 'on-stage') === value
  if (by === 'kind') return value === 'spare' ? row.channel.spare : row.channel.kind === value
  if (by === 'family') return row.role.family === value
  return by !== 'role' || row.role.role === value
}

const hasNote = ({ channel }: ChannelRow) =>
  channel.note !== '' || channel.inserts.some((i) => Object.keys(i.notes ?? {}).length > 0)
/** For a key, a person or an input. */
const waits = ({ channel }: ChannelRow) =>
  channel.inserts.some((i) => i.waitsFor) ||
  (channel.kind === 'audio' && !channel.source && channel.starters.length === 0)

export interface FilterGroup {
  name: string
  choices: { value: Filter; text: string }[]
}

/** Every filter that would show something, with how many channels. */
export function filtersFor(rows: ChannelRow[], act: string, actName: string, standing: Standing): FilterGroup[] {
  const states = { 'on-stage': 'on stage', 'behind-the-curtain': 'behind the curtain', 'in-the-wings': 'in the wings' }
  const group = (name: string, by: 'kind' | 'family' | 'role' | 'act', of: (row: ChannelRow) => string) => {
    const counts = new Map<string, number>()
    for (const row of rows) counts.set(of(row), (counts.get(of(row)) ?? 0) + 1)
    counts.delete('')
    counts.delete('unknown')
    return {
      name,
      choices: [...counts].map(([value, count]) => ({
        value: `${by}:${value}` as Filter,
        text: `${states[value as keyof typeof states] ?? value.replaceAll('-', ' ')} (${count})`,
      })),
    }
  }
  const found: FilterGroup = {
    name: 'Soundcheck',
    choices: standing.findings.size
      ? [{ value: 'finding:any', text: `with a finding (${standing.findings.size})` }]
      : [],
  }
  const having = { waits: rows.filter(waits).length, note: rows.filter(hasNote).length }
  const had: FilterGroup = {
    name: 'With something to say',
    choices: [
      ...(having.waits ? [{ value: 'has:waits' as Filter, text: `waits for something (${having.waits})` }] : []),
      ...(having.note ? [{ value: 'has:note' as Filter, text: `with a note (${having.note})` }] : []),
      ...(standing.altered.size ? [{ value: altered, text: `altered strip (${standing.altered.size})` }] : []),
    ],
  }
  return [
    found,
    had,
    group(`In ${actName}`, 'act', (r) => r.channel.stages[act] ?? 'on-stage'),
    group('Kinds', 'kind', (r) => (r.channel.spare ? 'spare' : r.channel.kind)),
    group('Families', 'family', (r) => r.role.family),
    group('Roles', 'role', (r) => r.role.role),
  ].filter((g) => g.choices.length > 0)
}
