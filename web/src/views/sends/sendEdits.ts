import type { ChannelRow, Edit, Send } from '@/api/types'

/** Channels and what they may send to: a block of the table. */
export interface Block {
  channels: readonly string[]
  targets: readonly string[]
  /** Whether a send would come back to itself; such cells of a block stay empty. */
  loops: (channel: string, target: string) => boolean
}

const usual = { level: -12, tap: 'post', open: true } as const
export const lowestDb = -60
export const highestDb = 6

type Rows = ReadonlyMap<string, ChannelRow>

function* cells(rows: Rows, { channels, targets, loops }: Block) {
  for (const channel of channels)
    for (const to of targets)
      if (channel !== to && !loops(channel, to))
        yield { channel, to, send: rows.get(channel)?.channel.sends.find((s) => s.to === to) as Send | undefined }
}

const put = (channel: string, send: Send): Edit => ({ type: 'put-send', channel, send })

function changed(rows: Rows, block: Block, change: (send: Send) => Partial<Send>): Edit[] {
  return [...cells(rows, block)].flatMap(({ channel, send }) =>
    send ? [put(channel, { ...send, ...change(send) })] : [],
  )
}

/** Sends where nothing is sent yet; what is there stays as it is. */
export function added(rows: Rows, block: Block): Edit[] {
  return block.targets.flatMap((to): Edit[] => {
    const free = [...cells(rows, { ...block, targets: [to] })].filter(({ send }) => !send)
    return free.length ? [{ type: 'add-sends', channels: free.map((f) => f.channel), send: { to, ...usual } }] : []
  })
}

/** One level for all of the block; where nothing is sent yet, a send of that level. */
export function levelled(rows: Rows, block: Block, level: number | null): Edit[] {
  return [...cells(rows, block)].map(({ channel, to, send }) => put(channel, { ...(send ?? { to, ...usual }), level }))
}

/** Louder or quieter by as much; silence stays silence. */
export function turned(rows: Rows, block: Block, byDb: number): Edit[] {
  return changed(rows, block, ({ level }) => ({
    level: level === null ? null : Math.min(highestDb, Math.max(lowestDb, level + byDb)),
  }))
}

/** All closed where one is open, else all open. */
export function opened(rows: Rows, block: Block): Edit[] {
  const open = [...cells(rows, block)].every(({ send }) => !send?.open)
  return changed(rows, block, () => ({ open }))
}

/** All before the fader where one is after it, else all after it. */
export function tapped(rows: Rows, block: Block): Edit[] {
  const tap = [...cells(rows, block)].some(({ send }) => send?.tap === 'post') ? 'pre' : 'post'
  return changed(rows, block, () => ({ tap }))
}

export function removed(rows: Rows, block: Block): Edit[] {
  return [...cells(rows, block)].flatMap(({ channel, to, send }): Edit[] =>
    send ? [{ type: 'remove-send', channel, to }] : [],
  )
}

/** What lets one send alone be heard at its target: every other one there closed. */
export function alone(rows: Rows, channel: string, to: string): Edit[] {
  return [...rows.keys()].flatMap((from) => {
    const send = rows.get(from)!.channel.sends.find((s) => s.to === to)
    return send && send.open === (from !== channel) ? [put(from, { ...send, open: from === channel })] : []
  })
}
