import type { Counted } from '@/parts/written'
import type { Edit, Lever, MovableValue, Movement, ShapePoint, Target } from '@/api/types'

/** Between which numbers something moves, and what they are. */
export interface MovedRange {
  min: number
  max: number
  symbol: string
  stored: number | null
  isLevel: boolean
  inOctaves: boolean
  /** What its numbers count, so that they are read as people write them. */
  counts?: Counted
  /** What its whole numbers mean, from 0; none where they are numbers. */
  words: readonly string[]
  /** The switch without which it is not heard, and which is off. */
  off?: { id: string; name: string }
}

/** One line of the section plan: a value or a lever with its curves. */
export interface MovedRow {
  key: string
  title: string
  about: string
  /** Null where the value is gone. */
  range: MovedRange | null
  curves: Map<string, ShapePoint[]>
  /** What puts a curve and takes it away; none for a lever, whose curves are part of it. */
  edits?: { put: (section: string, points: ShapePoint[]) => Edit; remove: (section: string) => Edit }
  /** What a lever can move; none for a lever itself. */
  value?: { channel: string; target: Target; stored: number | null; min: number; max: number }
  lever?: Lever
}

export const keyOf = (channel: string, target: Target) => `${channel} ${JSON.stringify(target)}`

export const rangeOf = (value: MovableValue): MovedRange => ({
  min: value.min,
  max: value.max,
  symbol: value.symbol,
  stored: value.stored ?? null,
  isLevel: value.scale === 'level',
  inOctaves: value.scale === 'octaves' && value.min > 0,
  counts: value.counts ?? undefined,
  words: value.words ?? [],
  off: value.off ?? undefined,
})

export function rowOf(
  channelName: string,
  value: MovableValue | null,
  channel: string,
  target: Target,
  curves: { section: string; points: ShapePoint[] }[],
): MovedRow {
  return {
    key: keyOf(channel, target),
    title: channelName,
    about: value?.name ?? 'a value that is gone',
    range: value && rangeOf(value),
    curves: new Map(curves.map((c) => [c.section, c.points])),
    edits: {
      put: (section, points) => ({ type: 'put-shape', channel, shape: { target, section, points } }),
      remove: (section) => ({ type: 'remove-shape', channel, target, section }),
    },
    value: value ? { channel, target, stored: value.stored ?? null, min: value.min, max: value.max } : undefined,
  }
}

/** A lever's way is shown in percent, and stored from 0 to 1. */
export const leverPercent = 100

export function leverRow(lever: Lever): MovedRow {
  const shapes = lever.shapes ?? []
  const shown = (points: readonly ShapePoint[]) => points.map((p) => ({ ...p, value: leverPercent * p.value }))
  return {
    key: `lever ${lever.id}`,
    title: lever.name,
    about: 'lever, where it stands',
    range: {
      min: 0,
      max: leverPercent,
      symbol: '%',
      stored: leverPercent * lever.position,
      isLevel: false,
      inOctaves: false,
      words: [],
    },
    curves: new Map(shapes.map((s) => [s.section, shown(s.points)])),
    lever,
  }
}

export function rowsOf(movement: Movement): MovedRow[] {
  return [
    ...movement.levers.map((l) => leverRow(l.lever)),
    ...movement.moved.map((m) =>
      rowOf(m.channelName, m.value ?? null, m.channel as string, m.target, m.curves as never),
    ),
  ]
}

/** Where a value lies between the ends of its range, from 0 to 1; what is below the floor is at the bottom. */
export function shareOf(range: { min: number; max: number; inOctaves?: boolean }, value: number) {
  const share = range.inOctaves
    ? Math.log(value / range.min) / Math.log(range.max / range.min)
    : (value - range.min) / (range.max - range.min)
  return Math.min(1, Math.max(0, share))
}

/** A value on the way from one to another, as it is heard; on its way out of silence a level begins at the floor. */
export function between(
  range: { min: number; isLevel: boolean; inOctaves: boolean },
  from: number,
  to: number,
  share: number,
) {
  if (share === 0 || from === to) return from
  if (share === 1) return to
  if (range.inOctaves && from > 0 && to > 0) return from * (to / from) ** share
  const [a, b] = range.isLevel ? [Math.max(from, range.min), Math.max(to, range.min)] : [from, to]
  return a + (b - a) * share
}

/** The value at a share of the range. */
export function valueAt(range: { min: number; max: number; inOctaves?: boolean }, share: number) {
  return range.inOctaves ? range.min * (range.max / range.min) ** share : range.min + share * (range.max - range.min)
}
