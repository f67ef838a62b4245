import type { Note } from '@/api/types'

/** How new notes are struck. */
export interface Stroke {
  velocity: number
  /** Share of a step, in (0, 1]. */
  length: number
}

/** The note that begins exactly on a step; what lies between two steps is nobody's. */
export const noteOn = (notes: readonly Note[], tick: number, number: number) =>
  notes.find((n) => n.startTick === tick && n.number === number)

/** How many notes begin where no step of the grid is, or on no row: they are kept as they are. */
export const besides = (notes: readonly Note[], stepTicks: number, rows: readonly { note: number }[]) =>
  notes.filter((n) => n.startTick % stepTicks !== 0 || !rows.some((r) => r.note === n.number)).length

export function struck(
  notes: readonly Note[],
  tick: number,
  number: number,
  stepTicks: number,
  stroke: Stroke,
): Note[] {
  const lengthTicks = Math.max(1, Math.round(stepTicks * stroke.length))
  return [
    ...notes.filter((n) => n.startTick !== tick || n.number !== number),
    { startTick: tick, lengthTicks, number, velocity: stroke.velocity },
  ]
}

export const takenOff = (notes: readonly Note[], tick: number, number: number) =>
  notes.filter((n) => n.startTick !== tick || n.number !== number)

/** A figure on one row over every bar, in place of what begins there. */
export function withFigure(
  notes: readonly Note[],
  number: number,
  figure: readonly number[],
  bar: { ticks: number; count: number },
  stepTicks: number,
  stroke: Stroke,
): Note[] {
  const others = notes.filter((n) => n.number !== number)
  const ticks = Array.from({ length: bar.count }, (_, b) => figure.map((t) => b * bar.ticks + t)).flat()
  return ticks.reduce((all, tick) => struck(all, tick, number, stepTicks, stroke), others)
}
